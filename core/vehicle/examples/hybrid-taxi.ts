import type { Example } from './example'
import file from './hybrid-taxi.json'

/**
 * Brake by wire: the rears are fed by the unit's own pump, each front by its half of the cylinder, and a stroke simulator
 * with a bleeder hangs on the first half. Runs: FL 0.5+1.2+0.4 = 2.1, FR 0.5+2.0+0.4 = 2.9, RL 0.1+3.2+0.5 = 3.8,
 * RR 0.1+3.8+0.5 = 4.4, simulator 0.3 m. The simulator comes after the wheels in every school, near as it is.
 * Circuit by circuit: pump (4.4), B (2.9), A (2.1).
 */
export const hybridTaxi: Example = {
  file,
  runsM: { FL: 2.1, FR: 2.9, RL: 3.8, RR: 4.4, S: 0.3 },
  orders: {
    'furthest-first': ['RR', 'RL', 'FR', 'FL', 'S'],
    'nearest-first': ['FL', 'FR', 'RL', 'RR', 'S'],
    'circuit-by-circuit': ['RR', 'RL', 'FR', 'FL', 'S'],
  },
}
