import { solo } from './calls/solo'
import { pedalMinutes, pedalSteps, refusePump, takeUpRiskMinutes } from './pedal'
import { atWheel } from './step'
import { noSettings, type Technique } from './technique'

/** One person: the hose end stays under fluid in a bottle above the bleeder. @source common practice, 25 mm over the end */
export const raisedBottle: Technique = {
  id: 'raised-bottle',
  method: 'solo',
  at: 'bleeders',
  drives: 'foot',
  needs: ['hanging-bottle'],
  call: solo,
  exclude: refusePump,
  ...noSettings,
  minutes: (context) => pedalMinutes(context, { secondsPerPull: 7, minutesPerBleeder: 6 }),
  riskMinutes: (context) => 13 + takeUpRiskMinutes(context),
  steps: (context) => {
    const { before, after } = pedalSteps(context)
    return { before: [...before, atWheel('hang-bottle')], after }
  },
}
