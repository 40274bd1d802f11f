import { fact } from '../base/decision'
import { unitCall } from './calls/unit'
import { noSettings, noSteps, type Technique } from './technique'
import { pumpedAsWritten, refuseOtherRoutine, routineMinutes } from './unit-work'

const offered = refuseOtherRoutine('wheel-by-wheel')

/** The unit pulses its valves while one bleeder is open, and nobody sits in the cab. @source common practice */
export const unitWheelByWheel: Technique = {
  id: 'wheel-by-wheel',
  method: 'control-unit',
  at: 'unit',
  drives: 'unit',
  routine: 'wheel-by-wheel',
  pulsesWheels: true,
  needs: ['battery-support'],
  call: unitCall,
  exclude: (context) =>
    offered(context) ?? (pumpedAsWritten(context) === true ? fact('routine-wants-foot') : undefined),
  ...noSettings,
  minutes: routineMinutes,
  riskMinutes: () => 4,
  steps: noSteps,
}
