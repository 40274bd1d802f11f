import type { CallMove, CallStep } from './machine'

/** The joint is shut by an act of its own, and what came out is looked at next. */
export const closeJoint: CallMove = {
  act: 'close',
  confirms: 'closed',
  to: 'closed',
  deliberate: true,
  lookAfter: true,
}

/** The pedal rose with the joint open. */
export const footSlipped: CallMove = {
  act: 'foot-slipped',
  confirms: 'foot-slipped',
  to: 'slipped',
  airDrawn: true,
  mishap: true,
}

/** The one state in which the cab is told to let go; only closing leads here. */
export const closed: CallStep = {
  actor: 'cab',
  does: 'release',
  cab: 'release',
  open: false,
  next: [{ act: 'release', confirms: 'up', to: 'rest' }],
}

/** Nobody presses, and the joint still stands open. */
export const slipped: CallStep = {
  actor: 'wheel',
  does: 'close-after-slip',
  cab: 'stay-off',
  open: true,
  next: [{ ...closeJoint, to: 'rest' }],
}
