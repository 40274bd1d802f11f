import { bandAround } from '../../base/band'
import { ImpossibleInput } from '../../base/fault'
import { atSeaLevelC } from '../../physics/moisture/height'
import { waterOf } from './from-water'
import type { Tester } from './tester'

/** @source from memory */
export const BOILED_ERROR_C = 3

/** An instrument that heats a sample until it boils: the surest. */
export const boilingSampler: Tester = {
  gives: 'boiling-c',
  sureness: 5,
  settles: true,
  asks: { of: 'number', quantity: 'temperature', unit: '°C', min: 60, max: 400 },
  mayPass: true,
  tell(value, { pair, heightM }) {
    if (!(value <= 400)) throw new ImpossibleInput('value', 'give a boiling point up to 400 °C')
    const boilingC = bandAround(atSeaLevelC(value, heightM, pair), BOILED_ERROR_C)
    return { boilingC, ...(pair && { waterPct: waterOf(pair, boilingC) }), cannot: [] }
  },
}
