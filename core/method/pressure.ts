import { minutesInTurn } from './corner-flow'
import { capRiskMinutes, refuseSmallReservoirs, reservoirPressureKPa } from './machine-pressure'
import type { BleedMethod } from './method'

/** Pressure on the reservoir through an adapter. @source common practice */
export const pressure: BleedMethod = {
  id: 'pressure',
  name: 'Pressure at the reservoir',
  why: 'Steady flow with one person; the machine keeps the reservoir full.',
  call: 'machine',
  exclude: refuseSmallReservoirs,
  settings: (context) => ({ pressureKPa: reservoirPressureKPa(context) }),
  minutes: (context) => ({
    fluidMinutes: minutesInTurn(reservoirPressureKPa(context), context),
    handlingMinutes: 6 + context.corners.length * 2.5,
  }),
  riskMinutes: capRiskMinutes,
}
