import type { Repair } from '../repair'

/** Drawn down to MAX. */
export const drawnToMax: Repair = {
  id: 'drawn-to-max',
  minutes: 5,
  mends: ['overfilled'],
}
