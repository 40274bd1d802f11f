import type { Repair } from '../repair'

/** The unit's cycles between base bleeds. */
export const cyclesAndBleed: Repair = {
  id: 'cycles-and-bleed',
  minutes: 45,
  bleed: { minutes: 45, ml: 700 },
  mends: ['air-unit', 'air-lines', 'air-cylinder'],
  work: 'soft-pedal',
}
