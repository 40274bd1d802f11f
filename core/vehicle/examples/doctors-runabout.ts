import file from './doctors-runabout.json'
import type { Example } from './example'

/**
 * Diagonal split, driver on the left. Runs, cylinder to unit first: FL 0.6+1.1+0.4 = 2.1, FR 0.6+1.9+0.4 = 2.9,
 * RL 0.6+3.3+0.5 = 4.4, RR 0.6+3.9+0.5 = 5.0 m. Circuit A has FR and RL, B has FL and RR.
 * Circuit by circuit: B holds the longest run (RR), so RR, FL; then A: RL, FR. That is the order commonly stated for a
 * diagonal split: rear right, front left, rear left, front right.
 */
export const doctorsRunabout: Example = {
  file,
  runsM: { FL: 2.1, FR: 2.9, RL: 4.4, RR: 5 },
  orders: {
    'furthest-first': ['RR', 'RL', 'FR', 'FL'],
    'nearest-first': ['FL', 'FR', 'RL', 'RR'],
    'circuit-by-circuit': ['RR', 'FL', 'RL', 'FR'],
  },
}
