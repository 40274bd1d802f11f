import type { CallMachine, CallMove } from './machine'

const letOff: CallMove = { act: 'let-off', confirms: 'let-off', to: 'rest', withCapOn: true }

/**
 * Vacuum at the bleeder: drawn before it is opened, and kept until it is closed and the hose is off, or air goes
 * back in. @source common practice
 */
export const vacuumCall: CallMachine = {
  kind: 'vacuum',
  withCab: false,
  drawsAtBleeder: true,
  looks: { ml: true, colour: true },
  states: {
    rest: {
      actor: 'wheel',
      does: 'draw',
      cab: 'wait',
      open: false,
      next: [{ act: 'draw', confirms: 'drawn', to: 'drawing', withHoseOn: true }],
    },
    drawing: {
      actor: 'wheel',
      does: 'open-quarter',
      cab: 'wait',
      open: false,
      next: [{ act: 'open', confirms: 'open', to: 'open' }, letOff],
    },
    open: {
      actor: 'wheel',
      does: 'pump-draws',
      cab: 'wait',
      open: true,
      next: [
        { act: 'close', confirms: 'closed', to: 'closed', deliberate: true },
        {
          act: 'hose-came-off',
          confirms: 'vacuum-lost',
          to: 'slipped',
          airDrawn: true,
          mishap: true,
        },
      ],
    },
    closed: {
      actor: 'wheel',
      does: 'hose-off-first',
      cab: 'wait',
      open: false,
      next: [letOff],
    },
    slipped: {
      actor: 'wheel',
      does: 'close-after-air',
      cab: 'wait',
      open: true,
      next: [{ act: 'close', confirms: 'closed', to: 'rest', deliberate: true }],
    },
  },
}
