import { atTool } from './step'
import { noSettings, type Technique } from './technique'
import { refuseOtherRoutine, routineMinutes, routineSteps } from './unit-work'

/** The unit pulses its valves while one bleeder is open and the pedal is pumped until told to stop. @source common practice */
export const unitWheelByWheel: Technique = {
  id: 'wheel-by-wheel',
  method: 'control-unit',
  at: 'unit',
  drives: 'unit',
  pulsesWheels: true,
  needs: ['battery-support'],
  call: 'unit',
  exclude: refuseOtherRoutine('wheel-by-wheel'),
  ...noSettings,
  minutes: routineMinutes,
  riskMinutes: () => 4,
  steps: () => routineSteps(atTool('routine-wheel-by-wheel', undefined, 'routine')),
}
