import type { Repair } from '../repair'

/** Calipers to their own sides, or hung with the bleeder on top, and bled. */
export const brakeTurned: Repair = {
  id: 'brake-turned',
  minutes: 40,
  bleed: { minutes: 20, ml: 120 },
  mends: ['bleeder-not-at-top'],
  work: 'opened',
}
