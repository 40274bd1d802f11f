import { pedalMinutes, pedalSteps, refusePump, takeUpRiskMinutes } from './pedal'
import { atWheel } from './step'
import { CLEAN_DONE, noSettings, type Technique } from './technique'

/** One person: the hose end stays under fluid in a bottle above the bleeder. @source common practice, 25 mm over the end */
export const raisedBottle: Technique = {
  id: 'raised-bottle',
  method: 'solo',
  name: 'Solo, bottle above the bleeder',
  why: 'Nobody to help and no check valve: 25 mm of fluid over the hose end, above the bleeder, keeps air out.',
  at: 'bleeders',
  needs: ['hanging-bottle'],
  call: 'solo',
  exclude: refusePump,
  ...noSettings,
  minutes: (context) => pedalMinutes(context, { secondsPerPull: 7, minutesPerBleeder: 6 }),
  riskMinutes: (context) => 13 + takeUpRiskMinutes(context),
  steps: (context) => {
    const { before, after } = pedalSteps(context)
    const hang = atWheel(
      'hang-bottle',
      'Bottle hung above the bleeder, hose end 25 mm under new fluid.',
      'What is drawn back is fluid then, not air.',
    )
    return { before: [...before, hang], after }
  },
  round: [
    'Bottle above the bleeder, hose end 25 mm under fluid; open half a turn.',
    'Slow full strokes, a slow return; count them against the top-up count.',
    'Close before the hose comes off.',
  ],
  done: CLEAN_DONE,
  mistakes: [
    'The hose end comes out of the fluid: air.',
    'Old fluid in the bottle is drawn back: begin with new.',
  ],
}
