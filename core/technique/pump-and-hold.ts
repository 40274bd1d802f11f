import { pressedCall } from './calls/pressed'
import { pedalMinutes, pedalSteps, refuseFastPumping, refusePump, takeUpRiskMinutes } from './pedal'
import { noSettings, type Technique } from './technique'

/** Three to five. @source common practice */
const PUMPS = 4

/** Pump, hold, open, close, release, between the wheel and the cab. @source common practice */
export const pumpAndHold: Technique = {
  id: 'pump-and-hold',
  method: 'two-person',
  at: 'bleeders',
  drives: 'foot',
  needsHelper: true,
  pumps: PUMPS,
  needs: [],
  call: pressedCall('pedal', 'open-quarter'),
  exclude: (context) => refusePump(context) ?? refuseFastPumping(context),
  ...noSettings,
  minutes: (context) => pedalMinutes(context, { secondsPerPull: 10, minutesPerBleeder: 3 }),
  riskMinutes: (context) => 4 + takeUpRiskMinutes(context),
  steps: pedalSteps,
}
