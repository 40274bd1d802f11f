import { bandAround } from '../../base/band'
import { byConductance } from './conductance'
import type { Tester } from './tester'

/** @source from memory */
const ERROR_PCT = 0.5

/** A meter that shows water in tenths of a per cent. */
export const percentMeter: Tester = {
  gives: 'water-pct',
  sureness: 3,
  asks: { of: 'number', unit: '%', min: 0, max: 100 },
  mayPass: true,
  tell: (value, sample) => byConductance(bandAround(value, ERROR_PCT, { max: 100 }), sample),
}
