import { minutesInTurn } from './corner-flow'
import { bleederVacuumKPa } from './machine-pressure'
import type { BleedMethod } from './method'

/** Vacuum at the bleeder. @source common practice */
export const vacuum: BleedMethod = {
  id: 'vacuum',
  name: 'Vacuum at the bleeder',
  why: 'One person and no adapter; bubbles drawn past the thread have to be told from real ones.',
  call: 'vacuum',
  exclude: () => undefined,
  settings: (context) => ({ vacuumKPa: bleederVacuumKPa(context) }),
  minutes: (context) => ({
    fluidMinutes: minutesInTurn(bleederVacuumKPa(context), context),
    handlingMinutes: 3 + context.corners.length * 3,
  }),
  riskMinutes: () => 7,
}
