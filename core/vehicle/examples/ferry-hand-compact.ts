import type { Example } from './example'
import file from './ferry-hand-compact.json'

/**
 * Diagonal split with a proportioning valve in each rear pipe; the file says where the parts in the middle are. Runs:
 * A: FR 0.3+1.5+0.4 = 2.2, RL 0.3+2.4+0.9+0.3 = 3.9 m; B: FL 0.3+0.6+0.4 = 1.3, RR 0.3+2.7+1.1+0.3 = 4.4 m.
 */
export const ferryHandCompact: Example = {
  file,
  runsM: { FR: 2.2, RL: 3.9, FL: 1.3, RR: 4.4 },
  orders: {
    'furthest-first': ['RR', 'RL', 'FR', 'FL'],
    'nearest-first': ['FL', 'FR', 'RL', 'RR'],
    'circuit-by-circuit': ['RR', 'FL', 'RL', 'FR'],
  },
}
