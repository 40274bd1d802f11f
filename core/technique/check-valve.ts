import { pedalMinutes, pedalSteps, refusePump, takeUpRiskMinutes } from './pedal'
import { CLEAN_DONE, noSettings, type Technique } from './technique'

/** One person: a check valve in the hose lets fluid out and nothing back. @source common practice */
export const checkValve: Technique = {
  id: 'check-valve',
  method: 'solo',
  name: 'Solo with check valve',
  why: 'Nobody to help: a check valve in the hose keeps air out.',
  at: 'bleeders',
  needs: ['check-valve-hose'],
  call: 'solo',
  exclude: refusePump,
  ...noSettings,
  minutes: (context) => pedalMinutes(context, { secondsPerPull: 6, minutesPerBleeder: 5 }),
  riskMinutes: (context) => 10 + takeUpRiskMinutes(context),
  steps: pedalSteps,
  round: [
    'Hose with the check valve on, open half a turn.',
    'Slow full strokes; count them against the top-up count.',
    'Close before the hose comes off. Look at the bottle.',
  ],
  done: CLEAN_DONE,
  mistakes: [
    'The hose cannot be seen from the cab: strokes not counted, and the reservoir runs dry.',
    'A check valve that leaks back: small air at every stroke.',
  ],
}
