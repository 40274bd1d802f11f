import type { Repair } from '../repair'

/** Pads or shoes renewed, and the level set after them. */
export const newPads: Repair = {
  id: 'new-pads',
  minutes: 50,
  parts: ['pads'],
  mends: ['pad-wear', 'pads-unbedded'],
}
