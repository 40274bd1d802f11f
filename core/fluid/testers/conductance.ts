import type { Band } from '../../base/band'
import { ImpossibleInput } from '../../base/fault'
import { boilingOf, noWaterTaken } from './from-water'
import type { Sample, Told } from './tester'

const additives = {
  code: 'conductance-is-no-boiling',
  text: 'It measures how the fluid conducts, which additives and temperature change too: near a limit take a second method.',
}

/** What any instrument that measures conductance knows: water, and a boiling point by the model alone. */
export function byConductance(water: Band, { pair }: Sample): Told {
  if (water.likely > 100) throw new ImpossibleInput('value', 'give water by mass from 0 to 100 %')
  if (!pair) return { cannot: [noWaterTaken] }
  return { waterPct: water, boilingC: boilingOf(pair, water), cannot: [additives] }
}
