import type { CallMove, CallStep } from './machine'

/** The joint is shut by an act of its own, and what came out is looked at next. */
export const closeJoint: CallMove = {
  act: 'close',
  confirms: (joint) => `${joint} is CLOSED`,
  to: 'closed',
  deliberate: true,
  lookAfter: true,
}

/** The pedal rose with the joint open. */
export const footSlipped: CallMove = {
  act: 'foot-slipped',
  confirms: () => 'Foot slipped, the pedal came up',
  to: 'slipped',
  airDrawn: true,
  mishap: true,
}

/** The one state in which the cab is told to let go; only closing leads here. */
export const closed: CallStep = {
  actor: 'cab',
  does: () => 'Closed. Release the pedal slowly.',
  cab: 'release',
  open: false,
  next: [{ act: 'release', confirms: () => 'The cab says: pedal is up', to: 'rest' }],
}

/** Nobody presses, and the joint still stands open. */
export const slipped: CallStep = {
  actor: 'wheel',
  does: () => 'The pedal came up: close it now.',
  cab: 'stay-off',
  open: true,
  next: [{ ...closeJoint, to: 'rest' }],
}
