import { benchRisk, restForFrothS } from './cylinder-work'
import { atWheel } from './step'
import { neverExcluded, noSettings, type Technique } from './technique'

/** In the vice, hoses from the ports back under the fluid. @source common practice */
export const benchKit: Technique = {
  id: 'bench-kit',
  method: 'bench',
  name: 'On the bench, with a kit',
  why: 'A new cylinder’s air is driven out in the vice, before it can go down the lines.',
  at: 'cylinder',
  needs: ['bench-kit'],
  call: 'bench',
  exclude: neverExcluded,
  ...noSettings,
  minutes: () => ({ fluidMinutes: 0, handlingMinutes: 20 }),
  riskMinutes: benchRisk,
  steps: (context) => {
    const threads = context.cylinders.flatMap(({ benchThread }) => benchThread ?? [])
    const thread = threads.length > 0 ? ` Thread ${threads.join(', ')}.` : ''
    return {
      before: [
        atWheel('vice', 'Cylinder in the vice, level as fitted.', 'Held by its flange. Eye protection on.'),
        atWheel(
          'hoses',
          'Hoses from every port back under the fluid, reservoir half full.',
          `Start each thread by hand: two that look alike differ by one pitch.${thread} Froth rests about ${restForFrothS(context)} s at this temperature.`,
        ),
      ],
      after: [
        atWheel('fit', 'Ports plugged, cylinder fitted, lines tight to the maker’s torque.'),
        { ...atWheel('loss', 'Write down about how much fluid it took.'), asksMl: 'poured' },
      ],
    }
  },
  round: ['A full slow stroke, hold a second, slowly back.', 'Froth: stop and let it rise.'],
  done: 'No bubbles, firm push.',
  mistakes: ['Pumped quickly: froth.', 'A hose end out of the fluid: it draws air back.'],
}
