import type { Cause } from '../cause'
import { rodSet } from '../repairs/rod-set'

/** The pushrod has more play than it may. */
export const pushrodSlack: Cause = {
  id: 'pushrod-slack',
  chance: { 'soft-pedal': 2, 'low-pedal': 8, 'no-pedal': 2, 'no-clutch': 4 },
  history: ({ cylinder }) => (cylinder.opened || cylinder.replaced ? 2 : 1),
  at: 'cylinder',
  repair: rodSet,
}
