import type { Example } from './example'
import file from './fire-tender.json'

/**
 * Two cylinders in each front drum, the upper fed through the lower, and a reservoir for each chamber. Driver on the
 * right. Runs: FRL 0.6+0.6+0.5 = 1.7, FRU +0.3 = 2.0, FLL 0.6+1.7+0.5 = 2.8, FLU +0.3 = 3.1, valve 4.8,
 * RR 4.8+1.2+0.5 = 6.5, RL 4.8+1.5+0.5 = 6.8 m. The two cylinders of a drum are brakes of their own, so length orders
 * them: upper first going from far to near, lower first going from near to far.
 */
export const fireTender: Example = {
  file,
  runsM: { FLL: 2.8, FLU: 3.1, FRL: 1.7, FRU: 2, LSV: 4.8, RL: 6.8, RR: 6.5 },
  orders: {
    'furthest-first': ['LSV', 'RL', 'RR', 'FLU', 'FLL', 'FRU', 'FRL'],
    'nearest-first': ['LSV', 'FRL', 'FRU', 'FLL', 'FLU', 'RR', 'RL'],
    'circuit-by-circuit': ['LSV', 'RL', 'RR', 'FLU', 'FLL', 'FRU', 'FRL'],
  },
}
