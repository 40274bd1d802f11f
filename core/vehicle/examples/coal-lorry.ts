import file from './coal-lorry.json'
import type { Example } from './example'

/**
 * Two rear brakes a side, and front calipers with two bleeders each, lower first. Driver on the right. Runs:
 * FR 1.1+0.6 = 1.7, FL 2.3+0.6 = 2.9; to the rear tee 4.6+0.6 = 5.2, then RRF +1.0 = 6.2, RRA +1.2 = 6.4, RLF +1.4 = 6.6,
 * RLA +1.6 = 6.8 m. A caliper's two bleeders stay together, lower first, in every school.
 */
export const coalLorry: Example = {
  file,
  runsM: { FL1: 2.9, FL2: 2.9, FR1: 1.7, FR2: 1.7, RLF: 6.6, RLA: 6.8, RRF: 6.2, RRA: 6.4 },
  orders: {
    'furthest-first': ['RLA', 'RLF', 'RRA', 'RRF', 'FL1', 'FL2', 'FR1', 'FR2'],
    'nearest-first': ['FR1', 'FR2', 'FL1', 'FL2', 'RRF', 'RRA', 'RLF', 'RLA'],
    'circuit-by-circuit': ['RLA', 'RLF', 'RRA', 'RRF', 'FL1', 'FL2', 'FR1', 'FR2'],
  },
}
