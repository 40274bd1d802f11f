import type { Cause } from '../cause'
import { newBrake } from '../repairs/new-brake'

/** A piston or a slide is seized. */
export const brakeSeized: Cause = {
  id: 'brake-seized',
  chance: {
    'drag-one': 58,
    'drag-all': 3,
    'pulls-to-one-side': 42,
    'hard-pedal': 25,
    'fades-hot': 12,
    'no-flow-one': 2,
  },
  rubber: true,
  history: ({ brake }) => (brake.replaced ? 0.4 : 1),
  at: 'brake',
  unsafe: true,
  repair: newBrake,
  onRig: (at) => ({ faults: [{ kind: 'piston-stuck', at }] }),
}
