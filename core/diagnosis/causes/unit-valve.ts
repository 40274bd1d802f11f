import type { Cause } from '../cause'
import { newUnit } from '../repairs/new-unit'

/** A valve of the control unit does not close, or does not open. */
export const unitValve: Cause = {
  id: 'unit-valve',
  chance: {
    'soft-pedal': 1,
    'sinking-pedal': 5,
    'springy-middle': 2,
    'drag-one': 1,
    'lost-after-standing': 4,
    'no-flow-one': 6,
  },
  possible: ({ unit }) => unit,
  history: ({ unit }) => (unit.replaced ? 0.5 : 1),
  at: 'unit',
  repair: newUnit,
}
