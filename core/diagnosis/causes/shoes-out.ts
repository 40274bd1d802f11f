import type { Cause } from '../cause'
import { shoesSet } from '../repairs/shoes-set'

/** Shoes, or a caliper with its parking brake built in, out of adjustment. */
export const shoesOut: Cause = {
  id: 'shoes-out',
  chance: {
    'soft-pedal': 7,
    'low-pedal': 26,
    'no-pedal': 4,
    'springy-middle': 3,
    'pulls-to-one-side': 8,
    'fades-hot': 4,
  },
  possible: ({ drums }) => drums,
  history: ({ brake }) => (brake.opened || brake.replaced ? 1.5 : 1),
  at: 'brake',
  repair: shoesSet,
}
