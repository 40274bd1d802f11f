import type { CallMachine, CallMove } from './machine'

const letOff: CallMove = { act: 'let-off', confirms: () => 'Hose off, vacuum off', to: 'rest' }

/**
 * Vacuum at the bleeder: drawn before it is opened, and kept until it is closed and the hose is off, or air goes
 * back in. @source common practice
 */
export const vacuum: CallMachine = {
  kind: 'vacuum',
  withCab: false,
  looks: { ml: true, colour: true },
  states: {
    rest: {
      actor: 'wheel',
      does: (joint) => `Hose on ${joint}: draw the vacuum.`,
      cab: 'wait',
      open: false,
      next: [{ act: 'draw', confirms: () => 'Vacuum stands', to: 'drawing' }],
    },
    drawing: {
      actor: 'wheel',
      does: (joint) => `Open ${joint}, a quarter turn.`,
      cab: 'wait',
      open: false,
      next: [{ act: 'open', confirms: () => 'It is open', to: 'open' }, letOff],
    },
    open: {
      actor: 'wheel',
      does: () => 'The pump draws. Watch the hose.',
      cab: 'wait',
      open: true,
      next: [
        { act: 'close', confirms: (joint) => `${joint} is CLOSED`, to: 'closed', deliberate: true },
        {
          act: 'hose-came-off',
          confirms: () => 'Hose came off, vacuum lost',
          to: 'slipped',
          airDrawn: true,
          mishap: true,
        },
      ],
    },
    closed: {
      actor: 'wheel',
      does: () => 'Closed. Take the hose off with the vacuum still on, then let it off.',
      cab: 'wait',
      open: false,
      next: [letOff],
    },
    slipped: {
      actor: 'wheel',
      does: () => 'Air may have gone in: close it now.',
      cab: 'wait',
      open: true,
      next: [{ act: 'close', confirms: (joint) => `${joint} is CLOSED`, to: 'rest', deliberate: true }],
    },
  },
}
