import { pedalMinutes, pedalSteps, refuseFastPumping, refusePump, takeUpRiskMinutes } from './pedal'
import { CLEAN_DONE, noSettings, type Technique } from './technique'

/** Pump, hold, open, close, release, between the wheel and the cab. @source common practice */
export const pumpAndHold: Technique = {
  id: 'pump-and-hold',
  method: 'two-person',
  name: 'Two-person, pump and hold',
  why: 'A helper on the pedal; the bleeder closes before the pedal is released.',
  at: 'bleeders',
  needsHelper: true,
  needs: [],
  call: 'pedal',
  exclude: (context) => refusePump(context) ?? refuseFastPumping(context),
  ...noSettings,
  minutes: (context) => pedalMinutes(context, { secondsPerPull: 10, minutesPerBleeder: 3 }),
  riskMinutes: (context) => 4 + takeUpRiskMinutes(context),
  steps: pedalSteps,
  round: [
    'Cab: 3–5 slow pumps, then hold.',
    'Wheel: open a quarter to half a turn.',
    'Flow stops: close. Only then the cab releases.',
  ],
  done: CLEAN_DONE,
  mistakes: [
    'The pedal comes up with the bleeder open: air, and its count starts again.',
    'Pressed to the floor: a worn bore cuts the seals.',
    'Pumped quickly: froth that takes minutes to rise.',
  ],
}
