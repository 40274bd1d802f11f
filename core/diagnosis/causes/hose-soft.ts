import type { Cause } from '../cause'
import { newHose } from '../repairs/new-hose'

/** A hose swells under pressure. */
export const hoseSoft: Cause = {
  id: 'hose-soft',
  chance: { 'soft-pedal': 5, 'sinking-pedal': 1, 'low-pedal': 3, 'springy-middle': 30, 'no-clutch': 3 },
  possible: ({ hoses }) => hoses,
  rubber: true,
  history: ({ line }) => (line.replaced ? 0.5 : 1),
  at: 'hose',
  repair: newHose,
  onRig: (at, severity) => ({ faults: [{ kind: 'hose-soft', at, mlPerMPa: severity }] }),
}
