import type { Example } from './example'
import file from './mountain-rescue.json'

/**
 * Driver on the right; the maker states nearest first, front before rear, for every bleeder: FR, FL, RR, RL. So that is
 * the order in every school. Runs, each from its chamber: FR 0.3+0.5+0.7+0.5 = 2.0, FL 0.3+0.5+1.6+0.5 = 2.9,
 * RR 0.3+0.6+2.9+0.5 = 4.3, RL 0.3+0.6+3.4+0.5 = 4.8 m. None of its valves has a bleeder.
 */
export const mountainRescue: Example = {
  file,
  runsM: { FR: 2, FL: 2.9, RR: 4.3, RL: 4.8 },
  orders: {
    'furthest-first': ['FR', 'FL', 'RR', 'RL'],
    'nearest-first': ['FR', 'FL', 'RR', 'RL'],
    'circuit-by-circuit': ['FR', 'FL', 'RR', 'RL'],
  },
}
