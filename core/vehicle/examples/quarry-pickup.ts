import type { Example } from './example'
import file from './quarry-pickup.json'

/**
 * A control unit in the rear circuit only, with a bleeder; a quick-take-up bore in front. The rear left pipe is the
 * longer: runs FL 0.4+0.7+0.45 = 1.55, FR 0.4+1.8+0.45 = 2.65, unit 0.9, RR 0.9+2.8+0.4+0.7 = 4.8,
 * RL 0.9+2.8+0.4+0.9 = 5.0 m. So RL is first among the wheels though the driver sits left: length decides, not habit.
 */
export const quarryPickup: Example = {
  file,
  runsM: { FL: 1.55, FR: 2.65, U: 0.9, RL: 5, RR: 4.8 },
  orders: {
    'furthest-first': ['U', 'RL', 'RR', 'FR', 'FL'],
    'nearest-first': ['U', 'FL', 'FR', 'RR', 'RL'],
    'circuit-by-circuit': ['U', 'RL', 'RR', 'FR', 'FL'],
  },
}
