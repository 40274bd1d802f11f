import { bench } from './calls/bench'
import { benchRisk, restForFrothS } from './cylinder-work'
import { atWheel } from './step'
import { neverExcluded, noSettings, type Technique } from './technique'

/** In the vice, a finger over each port as the check valve. @source common practice */
export const fingers: Technique = {
  id: 'fingers',
  method: 'bench',
  at: 'cylinder',
  drives: 'hand',
  cylinder: 'in-vice',
  needs: [],
  call: bench,
  exclude: neverExcluded,
  ...noSettings,
  minutes: () => ({ fluidMinutes: 0, handlingMinutes: 22 }),
  riskMinutes: (context) => benchRisk(context) + 6,
  steps: (context) => ({
    before: [
      { ...atWheel('vice'), sets: 'cylinder-out' },
      atWheel('fingers', { restS: restForFrothS(context) }),
    ],
    after: [
      { ...atWheel('fit'), clears: 'cylinder-out' },
      { ...atWheel('loss'), asksMl: 'poured' },
    ],
  }),
}
