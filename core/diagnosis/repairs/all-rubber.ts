import type { Repair } from '../repair'

/** Every part of rubber renewed, and the fluid with it. */
export const allRubber: Repair = {
  id: 'all-rubber',
  minutes: 300,
  bleed: { minutes: 120, ml: 2000 },
  parts: ['kit', 'kit', 'hose', 'hose'],
  mends: ['seals-swollen', 'fluid-boils', 'air-lines'],
  work: 'conversion',
}
