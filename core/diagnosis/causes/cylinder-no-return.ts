import type { Cause } from '../cause'
import { newCylinder } from '../repairs/new-cylinder'

/** The cylinder does not let fluid back: its compensating port stays shut. */
export const cylinderNoReturn: Cause = {
  id: 'cylinder-no-return',
  chance: { 'drag-one': 1, 'drag-all': 42, 'fades-hot': 3, 'no-flow-one': 2 },
  history: ({ cylinder }) => (cylinder.replaced ? 0.5 : 1),
  at: 'cylinder',
  repair: newCylinder,
  onRig: (at) => ({ faults: [{ kind: 'no-return', at }] }),
}
