import type { Notice } from '../decision'
import { minutesInTurn } from './corner-flow'
import { residualHeldBack } from './hazards'
import type { BleedMethod, MethodContext } from './method'

/** What a thumb on a syringe gives. @source from memory */
const SYRINGE_KPA = 100

function exclude(context: MethodContext): Notice | undefined {
  if (residualHeldBack(context))
    return { code: 'residual-valve-blocks', text: 'A residual-pressure valve lets nothing back up the line.' }
  if (context.conversion)
    return {
      code: 'reverse-pushes-dirt',
      text: 'It would push the wrong fluid and its dirt up into the cylinder.',
    }
  return undefined
}

/** Clean fluid from a syringe up through the bleeder. @source common practice */
export const reverse: BleedMethod = {
  id: 'reverse',
  name: 'Reverse fill by syringe',
  why: 'Air rises with the fluid instead of against it.',
  call: 'machine',
  exclude,
  settings: () => ({}),
  minutes: (context) => ({
    fluidMinutes: minutesInTurn(SYRINGE_KPA, context),
    handlingMinutes: context.corners.length * 6,
  }),
  riskMinutes: () => 15,
}
