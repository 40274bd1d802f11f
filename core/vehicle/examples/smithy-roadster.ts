import type { Example } from './example'
import file from './smithy-roadster.json'

/**
 * Brake and clutch bores in one casting under one reservoir; the brake is a single circuit. Runs: FL 0.6+0.5+0.4 = 1.5,
 * FR 0.6+1.4+0.4 = 2.4, RL 0.6+2.6+0.35+0.6 = 4.15, RR 0.6+2.6+0.35+0.8 = 4.35, clutch 1.1+0.3 = 1.4 m.
 * The clutch has the shortest run and still comes last, in every school: its old fluid comes back into the reservoir.
 * Only a conversion takes it first, since the wheels need its fluid clean.
 */
export const smithyRoadster: Example = {
  file,
  runsM: { FL: 1.5, FR: 2.4, RL: 4.15, RR: 4.35, CL: 1.4 },
  orders: {
    'furthest-first': ['RR', 'RL', 'FR', 'FL', 'CL'],
    'nearest-first': ['FL', 'FR', 'RL', 'RR', 'CL'],
    'circuit-by-circuit': ['RR', 'RL', 'FR', 'FL', 'CL'],
  },
  conversion: ['CL', 'RR', 'RL', 'FR', 'FL'],
}
