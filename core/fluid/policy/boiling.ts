import { fact } from '../../base/decision'
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
  unit: '°C',
  quantity: 'temperature',
  usual: 0,
  min: 0,
  max: 80,
  basis: 'standard',
  words: (limit) =>
    limit === 0 ? fact('limit-boiling') : fact('limit-boiling-margin', { marginApartC: limit }),
  harder: (limit, { addsMarginC }) => limit + addsMarginC,
  judge(limit, { pair, ownPair, boiled, boilingC }) {
    const basis = boiled ? 'standard' : 'physics'
    if (!pair) return { verdict: 'unknown', ...fact('takes-no-water'), basis }
    if (!boilingC) return { verdict: 'unknown', ...fact('boiling-not-known'), basis }
    const limitC = pair.wetC + limit
    const says = fact('boils-at', {
      likelyC: boilingC.likely,
      lowC: boilingC.low,
      highC: boilingC.high,
      limitC,
      // With the specification's minima this says the same as water.
      secondOpinion: boiled || ownPair,
    })
    if (boilingC.likely <= limitC) return { verdict: 'replace', ...says, basis }
    const near = boilingC.low <= limitC || boilingC.likely < limitC + WATCH_C
    return { verdict: near ? 'watch' : 'keep', ...says, basis }
  },
  due(limit, history) {
    const { pair, today } = history
    if (!pair) return undefined
    const limitC = pair.wetC + limit
    const reached = { earliest: today, likely: today, latest: today, basis: 'given' as const }
    if (limitC >= pair.dryC) return { ...reached, says: fact('due-boiling-when-new', { limitC }) }
    const due = waterRule.due(waterAt(pair, limitC), history)
    return due && { ...due, says: fact('due-boiling', { limitC }) }
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
