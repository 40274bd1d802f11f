import { fact } from '../base/decision'
import { noSettings, noSteps, type Technique } from './technique'
import { pumpedAsWritten, refuseOtherRoutine, routineMinutes } from './unit-work'

const offered = refuseOtherRoutine('wheel-by-wheel')

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
  call: 'pulsed',
  exclude: (context) =>
    offered(context) ?? (pumpedAsWritten(context) === false ? fact('routine-wants-no-foot') : undefined),
  ...noSettings,
  minutes: routineMinutes,
  // A foot moves more air than the unit alone, and somebody watches the hose meanwhile.
  riskMinutes: () => 3,
  steps: noSteps,
}
