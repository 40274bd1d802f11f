import { benchRisk, restForFrothS } from './cylinder-work'
import { atWheel } from './step'
import { neverExcluded, noSettings, type Technique } from './technique'

/** In the vice, a finger over each port as the check valve. @source common practice */
export const fingers: Technique = {
  id: 'fingers',
  method: 'bench',
  name: 'On the bench, fingers over the ports',
  why: 'No kit whose thread fits: a finger over each port lets fluid out and no air back.',
  at: 'cylinder',
  needs: [],
  call: 'bench',
  exclude: neverExcluded,
  ...noSettings,
  minutes: () => ({ fluidMinutes: 0, handlingMinutes: 22 }),
  riskMinutes: (context) => benchRisk(context) + 6,
  steps: (context) => ({
    before: [
      atWheel('vice', 'Cylinder in the vice, level as fitted.', 'Held by its flange. Eye protection on.'),
      atWheel(
        'fingers',
        'A gloved finger on every port: off while it pushes, on before it comes back.',
        `It squirts: goggles, rag, pan. Froth rests about ${restForFrothS(context)} s at this temperature.`,
      ),
    ],
    after: [
      atWheel('fit', 'Ports plugged, cylinder fitted, lines tight to the maker’s torque.'),
      { ...atWheel('loss', 'Write down about how much fluid it took.'), asksMl: 'poured' },
    ],
  }),
  round: ['Fingers off, a slow stroke in.', 'Fingers on every port, slowly back.'],
  done: 'No bubbles, firm push.',
  mistakes: ['A finger lifts on the way back: air.', 'Pumped quickly: froth.'],
}
