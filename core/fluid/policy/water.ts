import { fact } from '../../base/decision'
import { moistureForecast } from '../../physics/moisture/forecast'
import type { Rule, Says } from './rule'

/** Share of the limit from which a reading is worth watching: 2 % of a limit of 3 %. @source common practice */
const WATCH_SHARE = 2 / 3
/** No shop waits for less, however hard the use. @source from memory */
const LEAST_LIMIT_PCT = 1

/** Replace at a share of water. @source common practice: 3 %, some at 2 % */
export const waterRule: Rule = {
  unit: '%',
  usual: 3,
  min: 0.5,
  max: 7,
  basis: 'practice',
  words: (limit) => fact('limit-water', { limitPct: limit }),
  harder: (limit, { lessWaterPct }) => Math.max(Math.min(limit, LEAST_LIMIT_PCT), limit - lessWaterPct),
  judge(limit, { pair, waterPct }) {
    const basis = 'practice'
    if (!pair) return { verdict: 'unknown', ...fact('takes-no-water'), basis }
    if (!waterPct) return { verdict: 'unknown', ...fact('water-not-read'), basis }
    const tenth = (pct: number) => Math.round(pct * 10) / 10
    const says = (verdict: Says['verdict'], code: string): Says => ({
      verdict,
      basis,
      ...fact(code, {
        likelyPct: tenth(waterPct.likely),
        lowPct: tenth(waterPct.low),
        highPct: tenth(waterPct.high),
        limitPct: limit,
      }),
    })
    if (waterPct.likely >= limit) return says('replace', 'water-replace')
    if (waterPct.likely >= WATCH_SHARE * limit) return says('watch', 'water-watch')
    if (waterPct.high >= limit) return says('watch', 'water-not-ruled-out')
    return says('keep', 'water-keep')
  },
  due(limit, { pair, readings, exchangedOn, today }) {
    if (!pair || (readings.length === 0 && exchangedOn === undefined)) return undefined
    const due = moistureForecast({ readings, limitPct: limit, today, freshOn: exchangedOn })
    const { waterPct = 0 } = readings.find(({ date }) => date === due.readOn) ?? {}
    return {
      earliest: due.readOn ?? due.dueEarliest,
      likely: due.readOn ?? due.dueLikely,
      latest: due.readOn ?? due.dueLatest,
      basis: due.basis,
      says:
        due.readOn === undefined
          ? fact('due-water', { limitPct: limit })
          : fact('due-water-read', { readPct: Math.round(waterPct * 10) / 10, limitPct: limit }),
      ...(due.fellOn !== undefined && { fellOn: due.fellOn }),
    }
  },
}
