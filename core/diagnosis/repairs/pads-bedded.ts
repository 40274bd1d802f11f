import type { Repair } from '../repair'

/** Pads bedded in as their maker says. */
export const padsBedded: Repair = {
  id: 'pads-bedded',
  minutes: 25,
  mends: ['pads-unbedded'],
}
