import { vacuumCall } from './calls/vacuum'
import { minutesInTurn } from './corner-flow'
import { bleederVacuumKPa, vacuumLimits, vacuumSteps } from './machine-pressure'
import { neverExcluded, type Technique } from './technique'

/** Air past the cup seals of drum cylinders looks like air in the line, and is hunted for. @source from memory */
const DRUM_MINUTES = 10

/** Vacuum at the bleeder. @source common practice */
export const vacuum: Technique = {
  id: 'vacuum',
  method: 'vacuum',
  at: 'bleeders',
  drives: 'vacuum',
  makerStates: ['vacuumKPa'],
  needs: [],
  call: vacuumCall,
  exclude: neverExcluded,
  settings: (context) => ({ vacuumKPa: bleederVacuumKPa(context) }),
  limits: (context) => ({ vacuumKPa: vacuumLimits(context) }),
  minutes: (context) => ({
    fluidMinutes: minutesInTurn(bleederVacuumKPa(context), context),
    handlingMinutes: 3 + context.corners.length * 3,
  }),
  riskMinutes: ({ corners }) =>
    7 + (corners.some(({ part }) => part.type === 'wheel-brake' && part.brake === 'drum') ? DRUM_MINUTES : 0),
  steps: vacuumSteps,
}
