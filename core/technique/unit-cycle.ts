import { atTool } from './step'
import { noSettings, type Technique } from './technique'
import { refuseOtherRoutine, routineMinutes, routineSteps } from './unit-work'

/** The unit runs its pump and valves while pedal or lever is held as asked. @source common practice */
export const unitCycle: Technique = {
  id: 'cycle',
  method: 'control-unit',
  name: 'Control unit by scan tool: cycles',
  why: 'Its valves and pump hide air until they are worked.',
  at: 'unit',
  needs: ['battery-support'],
  call: 'unit',
  exclude: refuseOtherRoutine('cycle'),
  ...noSettings,
  minutes: routineMinutes,
  riskMinutes: () => 4,
  steps: () =>
    routineSteps(
      atTool(
        'routine',
        'Run the bleed routine this unit offers, to its end. Keep the reservoir above MIN.',
        'Pedal or lever held as it asks, each brake for about two seconds.',
      ),
    ),
  round: ['Pedal held as the tool asks, about two seconds a brake.'],
  done: 'The routine says done, and the base bleed after it is clean.',
  mistakes: ['Run before the base bleed: its valves lock air in.', 'A weak battery stops it half-way.'],
}
