import { pedalMinutes, pedalSteps, refusePump, takeUpRiskMinutes } from './pedal'
import { noSettings, type Technique } from './technique'

/** Open first, one slow stroke through it, close, release. @source common practice */
export const pressThrough: Technique = {
  id: 'press-through',
  method: 'two-person',
  at: 'bleeders',
  drives: 'foot',
  needsHelper: true,
  needs: [],
  call: 'press-through',
  exclude: refusePump,
  ...noSettings,
  minutes: (context) => pedalMinutes(context, { secondsPerPull: 10, minutesPerBleeder: 3 }),
  // The bleeder is open before anybody presses: a foot that lifts draws air at once.
  riskMinutes: (context) => 6 + takeUpRiskMinutes(context),
  steps: pedalSteps,
}
