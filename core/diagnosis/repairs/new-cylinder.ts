import type { Repair } from '../repair'

/** Another cylinder, bled in the vice, and a bleed of every place: four things that can be wrong with the old one, and the air. */
export const newCylinder: Repair = {
  id: 'new-cylinder',
  minutes: 75,
  bleed: { minutes: 60, ml: 500 },
  parts: ['master-cylinder'],
  mends: ['cylinder-bypass', 'cylinder-no-return', 'cylinder-no-draw', 'air-cylinder', 'air-lines'],
  work: 'replaced',
  options: [{ id: 'rebuild', minutes: 110, parts: ['kit'] }],
}
