import { minutesInTurn } from './corner-flow'
import { bleederVacuumKPa, vacuumLimits, vacuumSteps } from './machine-pressure'
import { neverExcluded, type Technique } from './technique'

/** Vacuum at the bleeder. @source common practice */
export const vacuum: Technique = {
  id: 'vacuum',
  method: 'vacuum',
  at: 'bleeders',
  drives: 'vacuum',
  makerStates: ['vacuumKPa'],
  needs: [],
  call: 'vacuum',
  exclude: neverExcluded,
  settings: (context) => ({ vacuumKPa: bleederVacuumKPa(context) }),
  limits: (context) => ({ vacuumKPa: vacuumLimits(context) }),
  minutes: (context) => ({
    fluidMinutes: minutesInTurn(bleederVacuumKPa(context), context),
    handlingMinutes: 3 + context.corners.length * 3,
  }),
  riskMinutes: () => 7,
  steps: vacuumSteps,
}
