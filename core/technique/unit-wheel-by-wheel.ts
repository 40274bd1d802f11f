import { atTool } from './step'
import { noSettings, type Technique } from './technique'
import { refuseOtherRoutine, routineMinutes, routineSteps } from './unit-work'

/** The unit pulses its valves while one bleeder is open and the pedal is pumped until told to stop. @source common practice */
export const unitWheelByWheel: Technique = {
  id: 'wheel-by-wheel',
  method: 'control-unit',
  name: 'Control unit by scan tool: wheel by wheel',
  why: 'The unit pulses its own valves at each open bleeder; it works without a helper.',
  at: 'unit',
  needs: ['battery-support'],
  call: 'unit',
  exclude: refuseOtherRoutine('wheel-by-wheel'),
  ...noSettings,
  minutes: routineMinutes,
  riskMinutes: () => 4,
  steps: () =>
    routineSteps(
      atTool(
        'routine',
        'Start the wheel-by-wheel routine; it names the wheel. Keep the reservoir above MIN.',
      ),
    ),
  round: ['Open the bleeder the tool names.', 'Pump until it says stop.', 'Close, then confirm at the tool.'],
  done: 'The routine says done at every wheel, and the base bleed after it is clean.',
  mistakes: [
    'Confirmed at the tool with the bleeder still open.',
    'The reservoir is emptied quickly: fill between wheels.',
  ],
}
