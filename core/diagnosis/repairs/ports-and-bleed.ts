import type { Repair } from '../repair'

/** The cylinder's ports first, then a bleed of every place. */
export const portsAndBleed: Repair = {
  id: 'ports-and-bleed',
  minutes: 20,
  bleed: { minutes: 45, ml: 400 },
  mends: ['air-cylinder', 'air-lines'],
  work: 'soft-pedal',
}
