import type { Cause } from '../cause'
import { portsAndBleed } from '../repairs/ports-and-bleed'

/** Air in the cylinder itself. */
export const airCylinder: Cause = {
  id: 'air-cylinder',
  chance: {
    'soft-pedal': 10,
    'sinking-pedal': 2,
    'low-pedal': 6,
    'no-pedal': 12,
    'springy-middle': 6,
    'lost-after-standing': 8,
    'no-clutch': 6,
    'air-never-ends': 14,
  },
  history: ({ unbled, fullyBled, cylinder }) =>
    (unbled && (cylinder.opened || cylinder.replaced) ? 4 : 1) * (fullyBled ? 0.6 : 1),
  at: 'cylinder',
  repair: portsAndBleed,
  onRig: (at, severity) => ({ airMl: { [at]: 4 * severity } }),
}
