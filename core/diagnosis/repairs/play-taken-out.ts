import type { Repair } from '../repair'

/** What knocks pads back is looked for: bearing, disc, slides. */
export const playTakenOut: Repair = {
  id: 'play-taken-out',
  minutes: 60,
  mends: ['pads-knocked-back'],
}
