import type { Repair } from '../repair'

/** Another unit, its cycles and base bleeds. */
export const newUnit: Repair = {
  id: 'new-unit',
  minutes: 120,
  bleed: { minutes: 90, ml: 800 },
  parts: ['control-unit'],
  mends: ['unit-valve', 'air-unit', 'air-lines'],
  work: 'replaced',
}
