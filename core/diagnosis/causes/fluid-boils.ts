import type { Cause } from '../cause'
import { exchange } from '../repairs/exchange'

/** The fluid boils. */
export const fluidBoils: Cause = {
  id: 'fluid-boils',
  chance: { 'fades-hot': 55, 'no-pedal': 3, 'soft-pedal': 3 },
  history: ({ fullyBled }) => (fullyBled ? 0.3 : 1),
  unsafe: true,
  repair: exchange,
}
