import { minutesInTurn } from './corner-flow'
import {
  bleederVacuumKPa,
  capRiskMinutes,
  refuseSmallReservoirs,
  reservoirPressureKPa,
} from './machine-pressure'
import type { BleedMethod, MethodContext } from './method'

const drivingKPa = (context: MethodContext) => reservoirPressureKPa(context) + bleederVacuumKPa(context)

/** An exchange machine: pressure above and vacuum below. @source common practice */
export const pressureVacuum: BleedMethod = {
  id: 'pressure-vacuum',
  name: 'Pressure and vacuum together',
  why: 'The quickest exchange where the machine and its adapter fit.',
  call: 'vacuum',
  exclude: refuseSmallReservoirs,
  settings: (context) => ({
    pressureKPa: reservoirPressureKPa(context),
    vacuumKPa: bleederVacuumKPa(context),
  }),
  minutes: (context) => ({
    fluidMinutes: minutesInTurn(drivingKPa(context), context),
    handlingMinutes: 8 + context.corners.length * 2.5,
  }),
  riskMinutes: (context) => capRiskMinutes(context) + 2,
}
