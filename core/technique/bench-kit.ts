import { bench } from './calls/bench'
import { benchRisk, restForFrothS } from './cylinder-work'
import { atWheel } from './step'
import { neverExcluded, noSettings, type Technique } from './technique'

/** In the vice, hoses from the ports back under the fluid. @source common practice */
export const benchKit: Technique = {
  id: 'bench-kit',
  method: 'bench',
  at: 'cylinder',
  drives: 'hand',
  cylinder: 'in-vice',
  needs: ['bench-kit'],
  call: bench,
  exclude: neverExcluded,
  ...noSettings,
  minutes: () => ({ fluidMinutes: 0, handlingMinutes: 20 }),
  riskMinutes: benchRisk,
  steps: (context) => {
    const threads = context.cylinders.flatMap(({ benchThread }) => benchThread ?? [])
    return {
      before: [
        { ...atWheel('vice'), sets: 'cylinder-out' },
        atWheel('hoses', { restS: restForFrothS(context), ...(threads.length > 0 && { threads }) }),
      ],
      after: [
        { ...atWheel('fit'), clears: 'cylinder-out' },
        { ...atWheel('loss'), asksMl: 'poured' },
      ],
    }
  },
}
