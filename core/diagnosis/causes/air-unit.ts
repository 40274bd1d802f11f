import type { Cause } from '../cause'
import { cyclesAndBleed } from '../repairs/cycles-and-bleed'

/** Air in a control unit where pressure reaches it and flow does not: it is felt at the pedal, and comes at no bleeder. */
export const airUnit: Cause = {
  id: 'air-unit',
  chance: {
    'soft-pedal': 8,
    'sinking-pedal': 1,
    'low-pedal': 4,
    'no-pedal': 3,
    'springy-middle': 18,
    'lost-after-standing': 4,
    'air-never-ends': 5,
  },
  possible: ({ unit }) => unit,
  history: ({ unbled, fullyBled, unit }) =>
    (unit.opened || unit.replaced ? (unbled ? 4 : 2) : 1) * (fullyBled ? 0.85 : 1),
  at: 'unit',
  repair: cyclesAndBleed,
  onRig: (at, severity) => ({
    faults: [{ kind: 'branch-pressed', at }],
    closedAirMl: { [at]: 3 * severity },
  }),
}
