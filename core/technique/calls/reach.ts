import { closeJoint, slipped } from './foot'
import type { CallMachine } from './machine'

/**
 * One person with a hand at the lever and a spanner at its bleeder: squeeze and hold, open, close, and only then let go.
 * Two acts a pull are recorded; the hand that holds is the one that knows. @source common practice
 */
export const reach: CallMachine = {
  kind: 'reach',
  withCab: false,
  looks: { ml: true, colour: true, afterStroke: true },
  states: {
    rest: {
      actor: 'wheel',
      does: (joint) => `Let the lever go, squeeze it again and hold. Open ${joint}, a quarter turn.`,
      cab: 'wait',
      open: false,
      next: [{ act: 'open', confirms: () => 'It is open, lever held', to: 'open' }],
    },
    open: {
      actor: 'wheel',
      does: () => 'Lever near its grip? Close it first, then let go.',
      cab: 'hold',
      open: true,
      next: [
        { ...closeJoint, to: 'rest' },
        {
          act: 'foot-slipped',
          confirms: () => 'The lever came back while it was open',
          to: 'slipped',
          airDrawn: true,
          mishap: true,
        },
      ],
    },
    slipped,
  },
}
