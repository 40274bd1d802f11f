import file from './chapel-saloon.json'
import type { Example } from './example'

/**
 * One circuit, drums all round, driver on the right. Runs: FR 0.7+0.5+0.4 = 1.6, FL 0.7+1.6+0.4 = 2.7, and both rears
 * 0.7+2.9+0.4+0.7 = 4.7 m. The rears are a tie; with the driver on the right the left one is taken first, whether the
 * school goes from far to near or from near to far. One circuit only, so circuit by circuit is furthest first.
 */
export const chapelSaloon: Example = {
  file,
  runsM: { FR: 1.6, FL: 2.7, RL: 4.7, RR: 4.7 },
  orders: {
    'furthest-first': ['RL', 'RR', 'FL', 'FR'],
    'nearest-first': ['FR', 'FL', 'RL', 'RR'],
    'circuit-by-circuit': ['RL', 'RR', 'FL', 'FR'],
  },
}
