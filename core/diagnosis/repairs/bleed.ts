import type { Repair } from '../repair'

/** A bleed of every place, where air is taken to be somewhere in the lines. */
export const bleed: Repair = {
  id: 'bleed',
  minutes: 0,
  bleed: { minutes: 45, ml: 350 },
  mends: ['air-lines'],
  work: 'soft-pedal',
}
