import type { Cause } from '../cause'
import { allRubber } from '../repairs/all-rubber'

/** Seals swollen by a fluid that is not theirs. */
export const sealsSwollen: Cause = {
  id: 'seals-swollen',
  chance: { 'drag-all': 7, 'drag-one': 2, 'hard-pedal': 4, 'sinking-pedal': 1, 'fades-hot': 1 },
  repair: allRubber,
}
