import { closed, closeJoint } from './foot'
import type { CallMachine } from './machine'

/**
 * The unit pulses its valves while the bleeder is open and a foot pumps, until the tool says stop: rest → open (PUMP) →
 * spent (HOLD) → closed (RELEASE).
 *
 * A tool’s “stop” is never “let go”: the foot stays down until the wheel has shut the bleeder by its own act.
 * @source common practice
 */
export const pulsed: CallMachine = {
  kind: 'pulsed',
  withCab: true,
  looks: { ml: true, colour: true },
  states: {
    rest: {
      actor: 'wheel',
      does: (joint) => `Open ${joint}, half a turn; then the cab pumps and the tool starts.`,
      cab: 'wait',
      open: false,
      next: [{ act: 'open', confirms: () => 'It is open: PUMP', to: 'open' }],
    },
    open: {
      actor: 'cab',
      does: () => 'Pump slowly until the tool says stop. Watch hose and reservoir.',
      cab: 'pump',
      open: true,
      next: [
        { act: 'tool-stops', confirms: () => 'The tool says stop', to: 'spent' },
        closeJoint,
        // Without the unit behind it the foot draws back what it pushed out.
        {
          act: 'tool-died',
          confirms: () => 'The tool stopped by itself',
          to: 'spent',
          airDrawn: true,
          mishap: true,
        },
      ],
    },
    spent: {
      actor: 'wheel',
      does: (joint) => `The foot stays down. CLOSE ${joint} now.`,
      cab: 'hold',
      open: true,
      next: [closeJoint],
    },
    closed,
  },
}
