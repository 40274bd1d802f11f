import file from './electric-post-van.json'
import type { Example } from './example'

/**
 * Diagonal split, driver on the right. Runs: FR 0.4+0.9+0.4 = 1.7 (B), FL 0.4+1.8+0.4 = 2.6 (A), RR 0.4+3.5+0.5 = 4.4
 * (A), RL 0.4+4.0+0.5 = 4.9 m (B). Circuit by circuit: B (RL, FR), then A (RR, FL).
 */
export const electricPostVan: Example = {
  file,
  runsM: { FL: 2.6, FR: 1.7, RL: 4.9, RR: 4.4 },
  orders: {
    'furthest-first': ['RL', 'RR', 'FL', 'FR'],
    'nearest-first': ['FR', 'FL', 'RR', 'RL'],
    'circuit-by-circuit': ['RL', 'FR', 'RR', 'FL'],
  },
}
