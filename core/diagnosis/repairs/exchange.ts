import type { Repair } from '../repair'

/** A whole exchange. */
export const exchange: Repair = {
  id: 'exchange',
  minutes: 0,
  bleed: { minutes: 55, ml: 900 },
  mends: ['fluid-boils', 'air-lines'],
  work: 'exchange',
}
