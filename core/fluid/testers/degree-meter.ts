import { bandAround } from '../../base/band'
import { fact } from '../../base/decision'
import { ImpossibleInput } from '../../base/fault'
import { boilingOf, noWaterTaken, waterOf } from './from-water'
import type { Tester } from './tester'

/** Conductance again, and a table made for a fluid that need not be this one. @source from memory */
const ERROR_PCT = 0.75
/** Where the degrees are below what any share of water gives. @source from memory */
const ERROR_C = 30

/** A meter that shows degrees but boils nothing. */
export const degreeMeter: Tester = {
  gives: 'boiling-c',
  sureness: 2,
  asks: { of: 'number', quantity: 'temperature', unit: '°C', min: 60, max: 400 },
  mayPass: true,
  tell(value, { pair }) {
    if (!(value <= 400)) throw new ImpossibleInput('value', 'give a boiling point up to 400 °C')
    if (!pair) return { cannot: [noWaterTaken] }
    const cannot = [fact('degrees-from-a-table')]
    const behind = waterOf(pair, bandAround(value, 0))
    if (!behind) return { boilingC: bandAround(value, ERROR_C), cannot }
    const waterPct = bandAround(behind.likely, ERROR_PCT, { max: 100 })
    return {
      waterPct,
      boilingC: { ...boilingOf(pair, waterPct), likely: Math.min(value, pair.dryC) },
      cannot,
    }
  },
}
