import type { Cause } from '../cause'
import { drawnToMax } from '../repairs/drawn-to-max'

/** The reservoir is filled over MAX, and fluid has nowhere to go back to. */
export const overfilled: Cause = {
  id: 'overfilled',
  chance: { 'drag-all': 5, 'fades-hot': 1 },
  repair: drawnToMax,
}
