import type { Cause } from '../cause'
import { rodSet } from '../repairs/rod-set'

/** The pushrod keeps the cylinder from coming home. */
export const pushrodTight: Cause = {
  id: 'pushrod-tight',
  chance: { 'drag-one': 1, 'drag-all': 38, 'fades-hot': 3, 'hard-pedal': 2 },
  history: ({ cylinder }) => (cylinder.opened || cylinder.replaced ? 2 : 1),
  at: 'cylinder',
  repair: rodSet,
}
