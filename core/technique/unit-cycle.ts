import { unitCall } from './calls/unit'
import { noSettings, noSteps, type Technique } from './technique'
import { refuseOtherRoutine, routineMinutes } from './unit-work'

/** The unit runs its pump and valves while pedal or lever is held as asked. @source common practice */
export const unitCycle: Technique = {
  id: 'cycle',
  method: 'control-unit',
  at: 'unit',
  drives: 'unit',
  routine: 'cycle',
  rounds: 2,
  needs: ['battery-support'],
  call: unitCall,
  exclude: refuseOtherRoutine('cycle'),
  ...noSettings,
  minutes: routineMinutes,
  riskMinutes: () => 4,
  steps: noSteps,
}
