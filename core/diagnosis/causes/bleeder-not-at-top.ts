import type { Cause } from '../cause'
import { brakeTurned } from '../repairs/brake-turned'

/** A bleeder is not the highest point of its brake. */
export const bleederNotAtTop: Cause = {
  id: 'bleeder-not-at-top',
  chance: {
    'soft-pedal': 4,
    'low-pedal': 3,
    'no-pedal': 1,
    'springy-middle': 5,
    'lost-after-standing': 2,
    'air-never-ends': 34,
    'no-clutch': 2,
  },
  history: ({ brake }) => (brake.replaced ? 4 : brake.opened ? 1.5 : 1),
  at: 'brake',
  repair: brakeTurned,
  onRig: (at, severity) => ({
    faults: [{ kind: 'bleeder-low', at }],
    airMl: { [at]: 4 * severity },
  }),
}
