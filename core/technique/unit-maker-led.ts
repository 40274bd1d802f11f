import { unitCall } from './calls/unit'
import { noSettings, noSteps, type Technique } from './technique'
import { refuseOtherRoutine, routineMinutes } from './unit-work'

/** The unit's maker leads, step by step; its own pump drives the brakes it feeds. @source common practice */
export const unitMakerLed: Technique = {
  id: 'maker-led',
  method: 'control-unit',
  at: 'unit',
  drives: 'unit',
  routine: 'maker-led',
  needs: ['battery-support'],
  call: unitCall,
  exclude: refuseOtherRoutine('maker-led'),
  ...noSettings,
  minutes: routineMinutes,
  riskMinutes: () => 4,
  steps: noSteps,
}
