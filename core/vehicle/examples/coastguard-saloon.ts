import file from './coastguard-saloon.json'
import type { Example } from './example'

/**
 * Diagonal split, driver on the right, a clutch with its own cylinder on the brake's reservoir. Runs:
 * FR 0.5+0.8+0.4 = 1.7 (A), FL 0.5+1.7+0.4 = 2.6 (B), RR 0.5+3.2+0.5 = 4.2 (B), RL 0.5+3.6+0.5 = 4.6 (A),
 * clutch 1.4+0.35 = 1.75 m. The clutch is last, first in a conversion. Circuit by circuit: A (RL, FR), B (RR, FL).
 */
export const coastguardSaloon: Example = {
  file,
  runsM: { FL: 2.6, FR: 1.7, RL: 4.6, RR: 4.2, CL: 1.75 },
  orders: {
    'furthest-first': ['RL', 'RR', 'FL', 'FR', 'CL'],
    'nearest-first': ['FR', 'FL', 'RR', 'RL', 'CL'],
    'circuit-by-circuit': ['RL', 'FR', 'RR', 'FL', 'CL'],
  },
  conversion: ['CL', 'RL', 'RR', 'FL', 'FR'],
}
