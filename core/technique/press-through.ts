import { pedalMinutes, pedalSteps, refusePump, takeUpRiskMinutes } from './pedal'
import { CLEAN_DONE, noSettings, type Technique } from './technique'

/** Open first, one slow stroke through it, close, release. @source common practice */
export const pressThrough: Technique = {
  id: 'press-through',
  method: 'two-person',
  name: 'Two-person, press through',
  why: 'One slow stroke through the open bleeder: no pumping, so no froth.',
  at: 'bleeders',
  needsHelper: true,
  needs: [],
  call: 'press-through',
  exclude: refusePump,
  ...noSettings,
  minutes: (context) => pedalMinutes(context, { secondsPerPull: 10, minutesPerBleeder: 3 }),
  // The bleeder is open before anybody presses: a foot that lifts draws air at once.
  riskMinutes: (context) => 6 + takeUpRiskMinutes(context),
  steps: pedalSteps,
  round: [
    'Wheel: open half a turn, hose end under fluid.',
    'Cab: one slow stroke, then hold it down.',
    'Wheel: close. Only then the cab releases.',
  ],
  done: CLEAN_DONE,
  mistakes: [
    'The foot lifts before the bleeder is closed: air.',
    'Pressed to the floor: a worn bore cuts the seals.',
  ],
}
