import type { Example } from './example'
import file from './touring-linked.json'

/**
 * Linked brakes: the lever works the outer front pistons; the pedal the front centre pistons, through a delay valve, and
 * the rear centre piston; a second cylinder, moved by the front left caliper, works the other rear pistons.
 * Runs: FL lever 0.7+0.3 = 1.0, FR lever 0.7+0.5 = 1.2, FL pedal 1.2+0.6 = 1.8, FR pedal 1.2+0.8 = 2.0, R pedal 0.5,
 * R link 1.1+0.4 = 1.5 m.
 * Furthest first takes a brake at a time, at its longest run: FR (2.0), FL (1.8), R (1.5), each lower bleeder first.
 * Nearest first: the rear (0.5), the lever's pair at its nearer 1.0 with the further first, then FL pedal (1.8), FR
 * pedal (2.0). Circuit by circuit: pedal (2.0), link (1.5), lever (1.2).
 */
export const touringLinked: Example = {
  file,
  runsM: { 'FL lever': 1, 'FR lever': 1.2, 'FL pedal': 1.8, 'FR pedal': 2, 'R pedal': 0.5, 'R link': 1.5 },
  orders: {
    'furthest-first': ['FR lever', 'FR pedal', 'FL lever', 'FL pedal', 'R pedal', 'R link'],
    'nearest-first': ['R pedal', 'R link', 'FR lever', 'FL lever', 'FL pedal', 'FR pedal'],
    'circuit-by-circuit': ['FR pedal', 'FL pedal', 'R pedal', 'R link', 'FR lever', 'FL lever'],
  },
}
