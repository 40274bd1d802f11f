import { closed, closeJoint, footSlipped, slipped } from './foot'
import type { CallMachine } from './machine'

/**
 * Two people and a pedal, opened first: open → press → down and held → closed → release.
 *
 * The joint is open from `opened` to `holding` and in `slipped`. The cab is told to release in `closed` alone, which
 * is reached by the wheel's own act of closing and by nothing else. @source common practice
 */
export const pressThrough: CallMachine = {
  kind: 'press-through',
  withCab: true,
  looks: { ml: true, colour: true },
  states: {
    rest: {
      actor: 'wheel',
      does: (joint) => `Open ${joint}, half a turn; hose end well under fluid.`,
      cab: 'stay-off',
      open: false,
      next: [{ act: 'open', confirms: () => 'It is open', to: 'opened' }],
    },
    opened: {
      actor: 'wheel',
      does: () => 'Call one slow press.',
      cab: 'stay-off',
      open: true,
      next: [
        { act: 'press', confirms: () => 'Call PRESS', to: 'pressing', byItself: true },
        { ...closeJoint, to: 'rest', lookAfter: undefined },
      ],
    },
    pressing: {
      actor: 'cab',
      does: () => 'Press down slowly, once, and stay down.',
      cab: 'press',
      open: true,
      next: [
        { act: 'holding', confirms: () => 'The cab says: down and holding', to: 'holding' },
        footSlipped,
      ],
    },
    holding: {
      actor: 'wheel',
      does: () => 'Pedal is down: close it.',
      cab: 'hold',
      open: true,
      next: [closeJoint, footSlipped],
    },
    closed,
    slipped,
  },
}
