import type { Notice } from '../base/decision'
import { minutesInTurn } from './corner-flow'
import { residualHeldBack } from './hazards'
import { atWheel } from './step'
import { type MethodContext, noSettings, type Technique } from './technique'

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
export const reverse: Technique = {
  id: 'reverse',
  method: 'reverse',
  name: 'Reverse fill by syringe',
  why: 'Air rises with the fluid instead of against it.',
  at: 'bleeders',
  needs: [],
  call: 'machine',
  exclude,
  ...noSettings,
  minutes: (context) => ({
    fluidMinutes: minutesInTurn(SYRINGE_KPA, context),
    handlingMinutes: context.corners.length * 6,
  }),
  riskMinutes: () => 15,
  steps: () => ({
    before: [
      atWheel(
        'lower-reservoir',
        'Reservoir drawn down to MIN, pedal or lever fully up.',
        'What is pushed in below arrives above.',
      ),
    ],
    after: [atWheel('draw-to-max', 'Level is usually over MAX now: draw it down to MAX.')],
  }),
  round: [
    'Bleeder and caliper clean, syringe full and free of air.',
    'Open, push slowly, watch the reservoir.',
    'Close with the syringe still on.',
  ],
  done: 'Bubbles stop in the reservoir, and its volume is through.',
  mistakes: ['A dirty caliper: its dirt goes up into the valves.', 'The reservoir runs over.'],
}
