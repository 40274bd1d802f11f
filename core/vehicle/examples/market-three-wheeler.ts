import type { Example } from './example'
import file from './market-three-wheeler.json'

/**
 * One front wheel, two rear, the driver in the middle. Runs: F 0.9+0.4 = 1.3, both rears 1.5+0.35+0.6 = 2.45 m: a tie,
 * and with nobody on the right the usual RR before RL. One circuit.
 */
export const marketThreeWheeler: Example = {
  file,
  runsM: { F: 1.3, RL: 2.45, RR: 2.45 },
  orders: {
    'furthest-first': ['RR', 'RL', 'F'],
    'nearest-first': ['F', 'RR', 'RL'],
    'circuit-by-circuit': ['RR', 'RL', 'F'],
  },
}
