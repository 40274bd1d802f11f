import type { Cause } from '../cause'
import { padsBedded } from '../repairs/pads-bedded'

/** Pads that do not lie on their discs yet, or glazed ones. */
export const padsUnbedded: Cause = {
  id: 'pads-unbedded',
  chance: {
    'soft-pedal': 4,
    'low-pedal': 1,
    'hard-pedal': 18,
    'springy-middle': 6,
    'fades-hot': 12,
    'pulls-to-one-side': 10,
  },
  history: ({ brake }) => (brake.opened || brake.replaced ? 2 : 1),
  at: 'brake',
  repair: padsBedded,
}
