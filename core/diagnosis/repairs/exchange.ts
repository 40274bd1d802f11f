import type { Repair } from '../repair'

/** A whole exchange. It is no search for air: that begins at the cylinder, and ends when it is firm. */
export const exchange: Repair = {
  id: 'exchange',
  minutes: 0,
  bleed: { minutes: 55, ml: 900 },
  mends: ['fluid-boils'],
  work: 'exchange',
}
