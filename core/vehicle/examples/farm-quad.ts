import type { Example } from './example'
import file from './farm-quad.json'

/**
 * One lever for all three brakes. Runs: FL 0.6+0.2+0.35 = 1.15, FR 0.6+0.35+0.35 = 1.3, rear axle 0.6+0.9+0.4 = 1.9 m.
 * Nearest first: the front pair on the lever comes first at its nearer 1.15, the further of the two (FR) before FL.
 */
export const farmQuad: Example = {
  file,
  runsM: { FL: 1.15, FR: 1.3, R: 1.9 },
  orders: {
    'furthest-first': ['R', 'FR', 'FL'],
    'nearest-first': ['FR', 'FL', 'R'],
    'circuit-by-circuit': ['R', 'FR', 'FL'],
  },
}
