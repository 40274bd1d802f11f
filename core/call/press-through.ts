import type { CallMachine, CallMove } from './machine'

const close: CallMove = {
  act: 'close',
  confirms: (joint) => `${joint} is CLOSED`,
  to: 'closed',
  deliberate: true,
  lookAfter: true,
}
const slipped: CallMove = {
  act: 'foot-slipped',
  confirms: () => 'Foot slipped, the pedal came up',
  to: 'slipped',
  airDrawn: true,
  mishap: true,
}

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
        { act: 'press', confirms: () => 'Call PRESS', to: 'pressing' },
        { ...close, to: 'rest', lookAfter: undefined },
      ],
    },
    pressing: {
      actor: 'cab',
      does: () => 'Press down slowly, once, and stay down.',
      cab: 'press',
      open: true,
      next: [{ act: 'holding', confirms: () => 'The cab says: down and holding', to: 'holding' }, slipped],
    },
    holding: {
      actor: 'wheel',
      does: () => 'Pedal is down: close it.',
      cab: 'hold',
      open: true,
      next: [close, slipped],
    },
    closed: {
      actor: 'cab',
      does: () => 'Closed. Release the pedal slowly.',
      cab: 'release',
      open: false,
      next: [{ act: 'release', confirms: () => 'The cab says: pedal is up', to: 'rest' }],
    },
    slipped: {
      actor: 'wheel',
      does: () => 'The pedal came up: close it now.',
      cab: 'stay-off',
      open: true,
      next: [{ ...close, to: 'rest' }],
    },
  },
}
