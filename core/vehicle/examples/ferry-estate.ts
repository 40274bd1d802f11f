import type { Example } from './example'
import file from './ferry-estate.json'

/**
 * Front and rear circuits, a load-sensing valve with a bleeder in the rear one. Runs: FL 0.5+0.6+0.45 = 1.55,
 * FR 0.5+1.7+0.45 = 2.65, valve 3.0, RL 3.0+1.2+0.4 = 4.6, RR 3.0+1.4+0.4 = 4.8 m.
 * The valve feeds both rear brakes, so its bleeder is first in every school, nearest or furthest.
 */
export const ferryEstate: Example = {
  file,
  runsM: { FL: 1.55, FR: 2.65, LSV: 3, RL: 4.6, RR: 4.8 },
  orders: {
    'furthest-first': ['LSV', 'RR', 'RL', 'FR', 'FL'],
    'nearest-first': ['LSV', 'FL', 'FR', 'RL', 'RR'],
    'circuit-by-circuit': ['LSV', 'RR', 'RL', 'FR', 'FL'],
  },
}
