import { closed, closeJoint, footSlipped, slipped } from './foot'
import type { CallKind, CallMachine, CallMove } from './machine'

/** The pedal came up before anything was opened: nothing is lost but the pull. */
const slippedShut: CallMove = {
  act: 'foot-slipped',
  confirms: () => 'Foot slipped: pedal is up',
  to: 'rest',
  mishap: true,
}

/**
 * Two people and a pedal: press → holding → open → closed → release.
 *
 * The joint is open in `open`, `spent` and `slipped` alone. The cab is told to release in `closed` alone, which is reached by
 * the wheel's own act of closing and by nothing else. @source common practice
 */
export function pressedCall(
  kind: Extract<CallKind, 'pedal' | 'ports'>,
  opens: (joint: string) => string,
): CallMachine {
  return {
    kind,
    withCab: true,
    looks: { ml: true, colour: true },
    states: {
      rest: {
        actor: 'wheel',
        does: (joint) => `${joint}: call the pedal down.`,
        cab: 'wait',
        open: false,
        next: [{ act: 'press', confirms: () => 'Call PRESS', to: 'pressing', byItself: true }],
      },
      pressing: {
        actor: 'cab',
        does: () => 'Press slowly, and hold.',
        cab: 'press',
        open: false,
        next: [{ act: 'holding', confirms: () => 'The cab says: holding', to: 'holding' }, slippedShut],
      },
      holding: {
        actor: 'wheel',
        does: opens,
        cab: 'hold',
        open: false,
        next: [{ act: 'open', confirms: () => 'It is open', to: 'open' }, slippedShut],
      },
      open: {
        actor: 'wheel',
        does: () => 'Flow has stopped? Close it.',
        cab: 'hold',
        open: true,
        next: [
          closeJoint,
          // Further down a worn bore cuts the seals.
          {
            act: 'near-bottom',
            confirms: () => 'The cab says: near the bottom',
            to: 'spent',
            cabOnly: true,
          },
          footSlipped,
        ],
      },
      spent: {
        actor: 'wheel',
        does: () => 'Near the bottom: CLOSE it now.',
        cab: 'hold',
        open: true,
        next: [closeJoint, footSlipped],
      },
      closed,
      slipped,
    },
  }
}
