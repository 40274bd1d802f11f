import { boreLeft, type Cause } from '../cause'
import { newHose } from '../repairs/new-hose'

/** A hose has closed up inside: pressure forces it open, and fluid does not come back. */
export const hoseClosed: Cause = {
  id: 'hose-closed',
  chance: {
    'drag-one': 34,
    'drag-all': 2,
    'pulls-to-one-side': 22,
    'no-flow-one': 35,
    'hard-pedal': 12,
    'fades-hot': 6,
  },
  possible: ({ hoses }) => hoses,
  rubber: true,
  history: ({ line }) => (line.replaced ? 0.5 : 1),
  at: 'hose',
  repair: newHose,
  onRig: (at, severity) => ({ faults: [{ kind: 'hose-closed', at, boreMm: boreLeft(0.35, severity) }] }),
}
