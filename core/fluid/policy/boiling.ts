import { ImpossibleInput } from '../../base/fault'
import { waterFromBoiling } from '../../physics/moisture/boiling-point'
import type { Rule } from './rule'
import { waterRule } from './water'

/** So near above its limit a boiling point is worth watching. @source from memory */
const WATCH_C = 10
/** Beyond it nobody forecasts a rise of water. */
const MOST_FORECAST_PCT = 7.9

/** Replace when it boils at the wet minimum, or within a margin of it. @source FMVSS 116 for the number (recalled), common practice for the use */
export const boilingRule: Rule = {
  name: 'Boiling point above its wet minimum',
  unit: '°C',
  quantity: 'temperature',
  usual: 0,
  min: 0,
  max: 80,
  basis: 'standard',
  words: (limit, show) =>
    limit === 0
      ? 'at the wet boiling point'
      : `within ${show.apart('temperature', limit)} of the wet boiling point`,
  harder: (limit, { addsMarginC }) => limit + addsMarginC,
  judge(limit, { pair, ownPair, boiled, boilingC }, show) {
    const basis = boiled ? 'standard' : 'physics'
    if (!pair)
      return { verdict: 'unknown', text: 'This fluid takes up no water: the rule does not apply.', basis }
    if (!boilingC) return { verdict: 'unknown', text: 'Nothing tells how hot it boils.', basis }
    const limitC = pair.wetC + limit
    const own =
      boiled || ownPair
        ? ''
        : ' With the specification’s minima this says the same as water: the product’s own data sheet or a boiled sample would be a second opinion.'
    const text = `Boils at ${show('temperature', boilingC.likely)} (${show('temperature', boilingC.low)} to ${show('temperature', boilingC.high)}); replace at ${show('temperature', limitC)}.${own}`
    if (boilingC.likely <= limitC) return { verdict: 'replace', text, basis }
    const near = boilingC.low <= limitC || boilingC.likely < limitC + WATCH_C
    return { verdict: near ? 'watch' : 'keep', text, basis }
  },
  due(limit, history, show) {
    const { pair, today } = history
    if (!pair) return undefined
    const limitC = pair.wetC + limit
    const reached = { earliest: today, likely: today, latest: today, basis: 'given' as const }
    if (limitC >= pair.dryC)
      return { ...reached, text: `${show('temperature', limitC)} is above what it boils at when new` }
    const due = waterRule.due(waterAt(pair, limitC), history, show)
    return due && { ...due, text: `boils at ${show('temperature', limitC)} by its rise of water` }
  },
}

function waterAt(pair: { dryC: number; wetC: number }, boilingC: number): number {
  try {
    return Math.min(MOST_FORECAST_PCT, waterFromBoiling({ ...pair, boilingC }).waterPct)
  } catch (error) {
    // Dry and wet point alike: boiling says nothing of water, and the rise is followed as far as anybody does.
    if (error instanceof ImpossibleInput) return MOST_FORECAST_PCT
    throw error
  }
}
