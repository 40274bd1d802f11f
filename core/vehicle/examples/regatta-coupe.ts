import type { Example } from './example'
import file from './regatta-coupe.json'

/**
 * Circuit A feeds all four brakes, circuit B the fronts once more, so each front caliper has a bleeder in both. Runs:
 * A: FLA 0.4+0.7+0.4 = 1.5, FRA 0.4+1.6+0.4 = 2.4, RL 0.4+3.3+0.5 = 4.2, RR 0.4+3.9+0.5 = 4.8 m;
 * B: FLB 0.4+0.8+0.4 = 1.6, FRB 0.4+1.7+0.4 = 2.5 m.
 * A brake at a time, lower first, though the upper one's run is a little longer: FRA, FRB, then FLA, FLB. Circuit by
 * circuit takes the same caliper up twice: A whole (RR, RL, FRA, FLA), then B.
 */
export const regattaCoupe: Example = {
  file,
  runsM: { FLA: 1.5, FRA: 2.4, RL: 4.2, RR: 4.8, FLB: 1.6, FRB: 2.5 },
  orders: {
    'furthest-first': ['RR', 'RL', 'FRA', 'FRB', 'FLA', 'FLB'],
    'nearest-first': ['FLA', 'FLB', 'FRA', 'FRB', 'RL', 'RR'],
    'circuit-by-circuit': ['RR', 'RL', 'FRA', 'FLA', 'FRB', 'FLB'],
  },
}
