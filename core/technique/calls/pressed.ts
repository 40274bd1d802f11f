import { closed, closeJoint, footSlipped, slipped } from './foot'
import type { CallMachine, CallMove } from './machine'

/** The pedal came up before anything was opened: nothing is lost but the pull. */
const slippedShut: CallMove = {
  act: 'foot-slipped',
  confirms: 'slipped-shut',
  to: 'rest',
  mishap: true,
}

/**
 * Two people and a pedal: press → holding → open → closed → release.
 *
 * The joint is open in `open`, `spent` and `slipped` alone. The cab is told to release in `closed` alone, which is reached by
 * the wheel's own act of closing and by nothing else. @source common practice
 */
export function pressedCall(kind: string, opens: string): CallMachine {
  return {
    kind,
    withCab: true,
    looks: { ml: true, colour: true },
    states: {
      rest: {
        actor: 'wheel',
        does: 'call-down',
        cab: 'wait',
        open: false,
        next: [{ act: 'press', confirms: 'press', to: 'pressing', byItself: true }],
      },
      pressing: {
        actor: 'cab',
        does: 'press-and-hold',
        cab: 'press',
        open: false,
        next: [{ act: 'holding', confirms: 'holding', to: 'holding' }, slippedShut],
      },
      holding: {
        actor: 'wheel',
        does: opens,
        cab: 'hold',
        open: false,
        next: [{ act: 'open', confirms: 'open', to: 'open' }, slippedShut],
      },
      open: {
        actor: 'wheel',
        does: 'close-when-still',
        cab: 'hold',
        open: true,
        next: [
          closeJoint,
          // Further down a worn bore cuts the seals.
          {
            act: 'near-bottom',
            confirms: 'near-bottom',
            to: 'spent',
            cabOnly: true,
          },
          footSlipped,
        ],
      },
      spent: {
        actor: 'wheel',
        does: 'close-near-bottom',
        cab: 'hold',
        open: true,
        next: [closeJoint, footSlipped],
      },
      closed,
      slipped,
    },
  }
}
