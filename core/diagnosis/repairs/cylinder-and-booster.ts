import type { Repair } from '../repair'

/** Another cylinder whose fluid has gone into the booster, and the booster, which fluid spoils. */
export const cylinderAndBooster: Repair = {
  id: 'cylinder-and-booster',
  minutes: 150,
  bleed: { minutes: 60, ml: 500 },
  parts: ['master-cylinder', 'booster'],
  mends: [
    'booster-leak',
    'cylinder-bypass',
    'cylinder-no-return',
    'cylinder-no-draw',
    'air-cylinder',
    'air-lines',
    'booster-no-help',
  ],
  work: 'replaced',
}
