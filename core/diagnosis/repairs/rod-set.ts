import type { Repair } from '../repair'

/** The pushrod's play set. */
export const rodSet: Repair = {
  id: 'rod-set',
  minutes: 20,
  mends: ['pushrod-tight', 'pushrod-slack'],
}
