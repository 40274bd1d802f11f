import { minutesInTurn } from './corner-flow'
import { bleederVacuumKPa, vacuumLimits, vacuumSteps } from './machine-pressure'
import { neverExcluded, type Technique, VOLUME_DONE } from './technique'

/** Vacuum at the bleeder. @source common practice */
export const vacuum: Technique = {
  id: 'vacuum',
  method: 'vacuum',
  name: 'Vacuum at the bleeder',
  why: 'One person and no adapter; bubbles drawn past the thread have to be told from real ones.',
  at: 'bleeders',
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
  round: [
    'Hose on, vacuum drawn, then open a quarter turn.',
    'Watch the hose and the reservoir: it falls while the pump draws.',
    'Close, hose off with the vacuum still on, cap on.',
  ],
  done: VOLUME_DONE,
  mistakes: [
    'Bubbles drawn past the thread chased for an hour: close the bleeder with the vacuum on and look.',
    'Nobody watches the reservoir.',
  ],
}
