import { solo } from './calls/solo'
import { pedalMinutes, pedalSteps, refusePump, takeUpRiskMinutes } from './pedal'
import { noSettings, type Technique } from './technique'

/** One person: a check valve in the hose lets fluid out and nothing back. @source common practice */
export const checkValve: Technique = {
  id: 'check-valve',
  method: 'solo',
  at: 'bleeders',
  drives: 'foot',
  needs: ['check-valve-hose'],
  call: solo,
  exclude: refusePump,
  ...noSettings,
  minutes: (context) => pedalMinutes(context, { secondsPerPull: 6, minutesPerBleeder: 5 }),
  riskMinutes: (context) => 10 + takeUpRiskMinutes(context),
  steps: pedalSteps,
}
