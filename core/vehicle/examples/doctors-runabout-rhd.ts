import file from './doctors-runabout-rhd.json'
import type { Example } from './example'

/**
 * The same car with everything exchanged left for right: the reservoir's side decides, not habit. Runs: FR 2.1, FL 2.9,
 * RR 4.4, RL 5.0 m; circuit A has FL and RR, B has FR and RL. So every order is the other car's, mirrored.
 */
export const doctorsRunaboutRhd: Example = {
  file,
  runsM: { FR: 2.1, FL: 2.9, RR: 4.4, RL: 5 },
  orders: {
    'furthest-first': ['RL', 'RR', 'FL', 'FR'],
    'nearest-first': ['FR', 'FL', 'RR', 'RL'],
    'circuit-by-circuit': ['RL', 'FR', 'RR', 'FL'],
  },
}
