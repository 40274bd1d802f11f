import type { Repair } from '../repair'

/** Shoes or the parking brake's mechanism adjusted. */
export const shoesSet: Repair = {
  id: 'shoes-set',
  minutes: 25,
  mends: ['shoes-out'],
}
