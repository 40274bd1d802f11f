import { atTool } from './step'
import { noSettings, type Technique } from './technique'
import { refuseOtherRoutine, routineMinutes, routineSteps } from './unit-work'

/** The unit's maker leads, step by step; its own pump drives the brakes it feeds. @source common practice */
export const unitMakerLed: Technique = {
  id: 'maker-led',
  method: 'control-unit',
  name: 'Control unit by scan tool: led by its maker',
  why: 'These brakes move by the unit’s own pressure, as its maker’s routine says.',
  at: 'unit',
  needs: ['battery-support'],
  call: 'unit',
  exclude: refuseOtherRoutine('maker-led'),
  ...noSettings,
  minutes: routineMinutes,
  riskMinutes: () => 4,
  steps: () =>
    routineSteps(
      atTool(
        'routine',
        'Start the maker’s routine and do what it asks, in its order.',
        'Its pump is fast: bottle and hose ready, reservoir kept full by an inverted bottle.',
      ),
    ),
  round: ['Be ready before it starts: its pump is fast.', 'Close before the routine lets the pressure fall.'],
  done: 'The routine says done, its pressure check holds, and what follows by pedal is clean.',
  mistakes: ['It builds pressure when a door opens: hands off.', 'The reservoir is empty in half a minute.'],
}
