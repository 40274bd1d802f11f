import { vacuumCall } from './calls/vacuum'
import { minutesInTurn } from './corner-flow'
import {
  bleederVacuumKPa,
  capRiskMinutes,
  MACHINE_KEEPS_ML,
  machineSteps,
  pressureLimits,
  refuseMachine,
  reservoirPressureKPa,
  vacuumLimits,
  vacuumSteps,
} from './machine-pressure'
import type { Technique, TechniqueContext } from './technique'

const drivingKPa = (context: TechniqueContext) => reservoirPressureKPa(context) + bleederVacuumKPa(context)

/** An exchange machine: pressure above and vacuum below. @source common practice */
export const pressureVacuum: Technique = {
  id: 'pressure-vacuum',
  method: 'pressure-vacuum',
  at: 'bleeders',
  drives: 'machine',
  feedsReservoir: true,
  keepsMl: MACHINE_KEEPS_ML,
  makerStates: ['pressureKPa', 'vacuumKPa'],
  needs: [],
  call: vacuumCall,
  exclude: refuseMachine,
  settings: (context) => ({
    pressureKPa: reservoirPressureKPa(context),
    vacuumKPa: bleederVacuumKPa(context),
  }),
  limits: (context) => ({ pressureKPa: pressureLimits(context), vacuumKPa: vacuumLimits(context) }),
  minutes: (context) => ({
    fluidMinutes: minutesInTurn(drivingKPa(context), context),
    handlingMinutes: 8 + context.corners.length * 2.5,
  }),
  riskMinutes: (context) => capRiskMinutes(context) + 2,
  steps: (context) => {
    const machine = machineSteps(context)
    return { before: [...vacuumSteps(context).before, ...machine.before], after: machine.after }
  },
}
