import type { Repair } from '../repair'

/** Another bleeder, its passage cleared. */
export const newBleeder: Repair = {
  id: 'new-bleeder',
  minutes: 15,
  bleed: { minutes: 15, ml: 80 },
  parts: ['bleeder'],
  mends: ['bleeder-blocked'],
  work: 'opened',
}
