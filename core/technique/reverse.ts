import { fact, type Notice } from '../base/decision'
import { machineFed } from './calls/machine-fed'
import { minutesInTurn } from './corner-flow'
import { residualHeldBack } from './hazards'
import { atWheel } from './step'
import { noSettings, type Technique, type TechniqueContext } from './technique'

/** What a thumb on a syringe gives. @source from memory */
const SYRINGE_KPA = 100

function exclude(context: TechniqueContext): Notice | undefined {
  if (residualHeldBack(context)) return fact('residual-valve-blocks', { upwards: true })
  if (context.conversion) return fact('reverse-pushes-dirt')
  if (context.exchange) return fact('reverse-is-no-exchange')
  return undefined
}

/** Clean fluid from a syringe up through the bleeder. @source common practice */
export const reverse: Technique = {
  id: 'reverse',
  method: 'reverse',
  at: 'bleeders',
  drives: 'syringe',
  needs: [],
  call: machineFed,
  exclude,
  ...noSettings,
  minutes: (context) => ({
    fluidMinutes: minutesInTurn(SYRINGE_KPA, context),
    handlingMinutes: context.corners.length * 6,
  }),
  riskMinutes: () => 15,
  steps: () => ({
    before: [atWheel('lower-reservoir')],
    after: [atWheel('draw-to-max')],
  }),
}
