import type { Words } from '../say'

/** What a plan came to on the simulated vehicle. */
export const rig: Words = {
  'rig-no-flow': 'On the rig nothing came at {bleeder}.',
  'rig-not-simulated': 'The rig has no pump of a unit’s own: what it does at {bleeder} was not run.',
  'rig-ran-dry': 'On the rig a reservoir fell below its ports.',
  'rig-target-missed': 'On the rig {bleeder} ends at {endsPct} old, not at {targetPct}.',
  'rig-air-left': 'On the rig {leftMl} of air is left.',
}
