import type { Repair } from '../repair'

/** Another booster, or its hose and valve. */
export const newBooster: Repair = {
  id: 'new-booster',
  minutes: 90,
  parts: ['booster'],
  mends: ['booster-no-help'],
}
