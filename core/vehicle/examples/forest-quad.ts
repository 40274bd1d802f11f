import type { Example } from './example'
import file from './forest-quad.json'

/**
 * A lever for the front pair, a pedal for the rear axle. Runs: both fronts 0.7+0.5 = 1.2, R 1.6 m. The fronts are a pair
 * on one lever and a tie: nobody sits on the right, so FR before FL. Circuit by circuit: rear (1.6), front.
 */
export const forestQuad: Example = {
  file,
  runsM: { FL: 1.2, FR: 1.2, R: 1.6 },
  orders: {
    'furthest-first': ['R', 'FR', 'FL'],
    'nearest-first': ['FR', 'FL', 'R'],
    'circuit-by-circuit': ['R', 'FR', 'FL'],
  },
}
