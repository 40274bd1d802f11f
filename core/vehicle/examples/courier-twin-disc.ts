import file from './courier-twin-disc.json'
import type { Example } from './example'

/**
 * Two front calipers on one lever, one behind the other on the hose; the rear has its own pedal and reservoir.
 * Runs: FL 0.9, FR 0.9+0.5 = 1.4, R 0.6 m. Nearest first begins with the rear (0.6), then comes to the lever's pair at
 * the nearer one's 0.9, and of a pair on one lever the one further along the hose is first in every school: FR, FL.
 */
export const courierTwinDisc: Example = {
  file,
  runsM: { FL: 0.9, FR: 1.4, R: 0.6 },
  orders: {
    'furthest-first': ['FR', 'FL', 'R'],
    'nearest-first': ['R', 'FR', 'FL'],
    'circuit-by-circuit': ['FR', 'FL', 'R'],
  },
}
