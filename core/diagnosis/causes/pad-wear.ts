import type { Cause } from '../cause'
import { newPads } from '../repairs/new-pads'

/** Worn pads: their pistons stand further out. */
export const padWear: Cause = {
  id: 'pad-wear',
  chance: { 'low-pedal': 4, 'low-level': 60, 'soft-pedal': 1 },
  history: ({ brake }) => (brake.replaced ? 0.6 : 1),
  repair: newPads,
}
