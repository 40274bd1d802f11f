import type { Cause } from '../cause'
import { playTakenOut } from '../repairs/play-taken-out'

/** Pads are knocked back from the disc between stops. */
export const padsKnockedBack: Cause = {
  id: 'pads-knocked-back',
  chance: { 'low-pedal': 8, 'soft-pedal': 2, 'lost-after-standing': 3, 'springy-middle': 2 },
  possible: ({ discs }) => discs,
  at: 'brake',
  repair: playTakenOut,
}
