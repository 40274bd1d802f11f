import type { Example } from './example'
import file from './rescue-motorcycle.json'

/**
 * A control unit with a bleeder in each circuit. Runs: UF 0.8, UR 0.5, FL 0.8+0.6+0.5 = 1.9, FR 0.8+0.6+0.6 = 2.0,
 * R 0.5+0.5+0.4 = 1.4 m. The unit's bleeders are upstream of every wheel and first in every school, the nearer to its
 * source before the other. Nearest first: R (1.4), then the lever's pair (1.9), the further of them first.
 */
export const rescueMotorcycle: Example = {
  file,
  runsM: { UF: 0.8, UR: 0.5, FL: 1.9, FR: 2, R: 1.4 },
  orders: {
    'furthest-first': ['UR', 'UF', 'FR', 'FL', 'R'],
    'nearest-first': ['UR', 'UF', 'R', 'FR', 'FL'],
    'circuit-by-circuit': ['UR', 'UF', 'FR', 'FL', 'R'],
  },
}
