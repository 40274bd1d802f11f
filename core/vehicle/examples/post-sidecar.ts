import type { Example } from './example'
import file from './post-sidecar.json'

/**
 * The sidecar's brake hangs on the rear pedal. Runs: F 1.0, R 0.3+0.5 = 0.8, sidecar 0.3+1.1+0.3 = 1.7 m.
 * Circuit by circuit: the rear circuit holds the longest run, so sidecar and rear, then the front.
 */
export const postSidecar: Example = {
  file,
  runsM: { F: 1, R: 0.8, SC: 1.7 },
  orders: {
    'furthest-first': ['SC', 'F', 'R'],
    'nearest-first': ['R', 'F', 'SC'],
    'circuit-by-circuit': ['SC', 'R', 'F'],
  },
}
