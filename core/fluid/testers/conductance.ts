import type { Band } from '../../base/band'
import { fact } from '../../base/decision'
import { ImpossibleInput } from '../../base/fault'
import { boilingOf, noWaterTaken } from './from-water'
import type { Sample, Told } from './tester'

const additives = fact('conductance-is-no-boiling')

/** What any instrument that measures conductance knows: water, and a boiling point by the model alone. */
export function byConductance(water: Band, { pair }: Sample): Told {
  if (water.likely > 100) throw new ImpossibleInput('value', 'give water by mass from 0 to 100 %')
  if (!pair) return { cannot: [noWaterTaken] }
  return { waterPct: water, boilingC: boilingOf(pair, water), cannot: [additives] }
}
