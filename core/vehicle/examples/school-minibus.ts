import type { Example } from './example'
import file from './school-minibus.json'

/**
 * Two bleeders on each front caliper, the inboard listed first. Runs: FL 0.5+1.1+0.5 = 2.1, FR 0.5+2.2+0.5 = 3.2, both
 * rears 0.5+4.4+0.5+0.8+0.3 = 6.5 m. The rears are a tie and the driver sits left, so RR comes before RL, in nearest
 * first too. Each caliper's inboard bleeder comes before its outboard one in every school.
 */
export const schoolMinibus: Example = {
  file,
  runsM: { FLI: 2.1, FLO: 2.1, FRI: 3.2, FRO: 3.2, RL: 6.5, RR: 6.5 },
  orders: {
    'furthest-first': ['RR', 'RL', 'FRI', 'FRO', 'FLI', 'FLO'],
    'nearest-first': ['FLI', 'FLO', 'FRI', 'FRO', 'RR', 'RL'],
    'circuit-by-circuit': ['RR', 'RL', 'FRI', 'FRO', 'FLI', 'FLO'],
  },
}
