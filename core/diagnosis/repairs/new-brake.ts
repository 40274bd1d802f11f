import type { Repair } from '../repair'

/** Another caliper or wheel cylinder, or the old one made free. */
export const newBrake: Repair = {
  id: 'new-brake',
  minutes: 50,
  bleed: { minutes: 20, ml: 120 },
  parts: ['caliper'],
  partsOfDrum: ['wheel-cylinder'],
  mends: ['brake-seized'],
  work: 'replaced',
  options: [{ id: 'rebuild', minutes: 70, parts: ['kit'] }],
}
