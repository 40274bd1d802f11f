import type { Cause } from '../cause'
import { newCylinder } from '../repairs/new-cylinder'

/** The cylinder moves and takes nothing from its reservoir. */
export const cylinderNoDraw: Cause = {
  id: 'cylinder-no-draw',
  chance: {
    'soft-pedal': 1,
    'low-pedal': 2,
    'no-pedal': 10,
    'lost-after-standing': 11,
    'no-clutch': 5,
    'no-flow-one': 4,
    'air-never-ends': 4,
  },
  history: ({ cylinder }) => (cylinder.replaced ? 0.5 : 1),
  at: 'cylinder',
  repair: newCylinder,
  onRig: (at) => ({ faults: [{ kind: 'no-draw', at }] }),
}
