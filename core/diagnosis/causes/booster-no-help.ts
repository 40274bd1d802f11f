import type { Cause } from '../cause'
import { newBooster } from '../repairs/new-booster'

/** The booster does not help: its vacuum, valve or membrane. */
export const boosterNoHelp: Cause = {
  id: 'booster-no-help',
  chance: { 'hard-pedal': 30 },
  possible: ({ booster }) => booster,
  rubber: true,
  repair: newBooster,
}
