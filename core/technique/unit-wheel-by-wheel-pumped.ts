import { fact } from '../base/decision'
import type { CallMachine } from './calls'
import { closed, closeJoint } from './calls/foot'
import { noSettings, noSteps, type Technique } from './technique'
import { pumpedAsWritten, refuseOtherRoutine, routineMinutes } from './unit-work'

const offered = refuseOtherRoutine('wheel-by-wheel')

/**
 * The unit pulses its valves while the bleeder is open and a foot pumps, until the tool says stop: rest → open (PUMP) →
 * spent (HOLD) → closed (RELEASE).
 *
 * A tool’s “stop” is never “let go”: the foot stays down until the wheel has shut the bleeder by its own act.
 * @source common practice
 */
const call: CallMachine = {
  kind: 'pulsed',
  withCab: true,
  strokesOpen: true,
  looks: { ml: true, colour: true },
  states: {
    rest: {
      actor: 'wheel',
      does: 'open-to-pump',
      cab: 'wait',
      open: false,
      next: [{ act: 'open', confirms: 'open-pump', to: 'open' }],
    },
    open: {
      actor: 'cab',
      does: 'pump-until-stop',
      cab: 'pump',
      open: true,
      next: [
        { act: 'tool-stops', confirms: 'tool-stops', to: 'spent' },
        closeJoint,
        // Without the unit behind it the foot draws back what it pushed out.
        {
          act: 'tool-died',
          confirms: 'tool-died',
          to: 'spent',
          airDrawn: true,
          mishap: true,
        },
      ],
    },
    spent: {
      actor: 'wheel',
      does: 'close-foot-down',
      cab: 'hold',
      open: true,
      next: [closeJoint],
    },
    closed,
  },
}

/**
 * The unit pulses its valves while one bleeder is open and a foot pumps until the tool says stop; then the foot is held,
 * the bleeder shut, and only then let go of. @source common practice
 */
export const unitWheelByWheelPumped: Technique = {
  id: 'wheel-by-wheel-pumped',
  method: 'control-unit',
  at: 'unit',
  drives: 'unit',
  routine: 'wheel-by-wheel',
  pulsesWheels: true,
  needsHelper: true,
  needs: ['battery-support'],
  call,
  exclude: (context) =>
    offered(context) ?? (pumpedAsWritten(context) === false ? fact('routine-wants-no-foot') : undefined),
  ...noSettings,
  minutes: routineMinutes,
  // A foot moves more air than the unit alone, and somebody watches the hose meanwhile.
  riskMinutes: () => 3,
  steps: noSteps,
}
