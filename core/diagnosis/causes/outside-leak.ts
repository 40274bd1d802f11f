import type { Cause } from '../cause'
import { jointMadeTight } from '../repairs/joint-made-tight'

/** Fluid gets out. */
export const outsideLeak: Cause = {
  id: 'outside-leak',
  chance: {
    'soft-pedal': 6,
    'sinking-pedal': 25,
    'low-pedal': 5,
    'no-pedal': 30,
    'low-level': 22,
    'lost-after-standing': 15,
    'no-clutch': 21,
    'air-never-ends': 5,
    'pulls-to-one-side': 4,
  },
  history: ({ line, brake, unbled }) => (line.opened || line.replaced || brake.opened || unbled ? 1.5 : 1),
  at: 'any',
  unsafe: true,
  repair: jointMadeTight,
  onRig: (at, severity) => ({ faults: [{ kind: 'leak', at, mlPerMinPerMPa: 8 * severity }] }),
}
