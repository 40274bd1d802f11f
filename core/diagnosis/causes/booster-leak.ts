import type { Cause } from '../cause'
import { cylinderAndBooster } from '../repairs/cylinder-and-booster'

/** Fluid goes past the cylinder’s rear seal into the booster. */
export const boosterLeak: Cause = {
  id: 'booster-leak',
  chance: {
    'soft-pedal': 1,
    'sinking-pedal': 4,
    'low-pedal': 1,
    'no-pedal': 2,
    'low-level': 8,
    'lost-after-standing': 5,
    'hard-pedal': 6,
  },
  possible: ({ booster }) => booster,
  rubber: true,
  at: 'cylinder',
  unsafe: true,
  repair: cylinderAndBooster,
}
