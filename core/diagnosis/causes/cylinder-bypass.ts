import type { Cause } from '../cause'
import { newCylinder } from '../repairs/new-cylinder'

/** The cylinder lets fluid past its own seals. */
export const cylinderBypass: Cause = {
  id: 'cylinder-bypass',
  chance: {
    'soft-pedal': 14,
    'sinking-pedal': 55,
    'low-pedal': 8,
    'no-pedal': 12,
    'springy-middle': 3,
    'lost-after-standing': 32,
    'no-clutch': 15,
    'air-never-ends': 4,
  },
  rubber: true,
  history: ({ cylinder }) => (cylinder.replaced ? 0.3 : 1),
  at: 'cylinder',
  unsafe: true,
  repair: newCylinder,
  onRig: (at, severity) => ({ faults: [{ kind: 'bypass', at, mlPerMinPerMPa: 6 * severity }] }),
}
