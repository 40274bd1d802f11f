import type { Cause } from '../cause'
import { bleed } from '../repairs/bleed'

/** Air somewhere in lines and brakes. */
export const airLines: Cause = {
  id: 'air-lines',
  chance: {
    'soft-pedal': 32,
    'sinking-pedal': 5,
    'low-pedal': 20,
    'no-pedal': 22,
    'springy-middle': 20,
    'lost-after-standing': 15,
    'fades-hot': 5,
    'no-clutch': 33,
    'air-never-ends': 22,
    'pulls-to-one-side': 4,
  },
  history: ({ unbled, fullyBled }) => (unbled ? 4 : 1) * (fullyBled ? 0.35 : 1),
  repair: bleed,
  onRig: (at, severity) => ({ airMl: { [at]: 4 * severity } }),
}
