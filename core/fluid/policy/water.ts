import { moistureForecast } from '../../physics/moisture/forecast'
import type { Rule } from './rule'

/** Share of the limit from which a reading is worth watching: 2 % of a limit of 3 %. @source common practice */
const WATCH_SHARE = 2 / 3
/** No shop waits for less, however hard the use. @source from memory */
const LEAST_LIMIT_PCT = 1

/** Replace at a share of water. @source common practice: 3 %, some at 2 % */
export const waterRule: Rule = {
  name: 'Water',
  unit: '%',
  usual: 3,
  min: 0.5,
  max: 7,
  basis: 'practice',
  words: (limit) => `${limit} % water`,
  harder: (limit, { lessWaterPct }) => Math.max(Math.min(limit, LEAST_LIMIT_PCT), limit - lessWaterPct),
  judge(limit, { pair, waterPct }) {
    const basis = 'practice'
    if (!pair)
      return { verdict: 'unknown', text: 'This fluid takes up no water: the rule does not apply.', basis }
    if (!waterPct) return { verdict: 'unknown', text: 'No reading of its water.', basis }
    const has = `${waterPct.likely.toFixed(1)} % water (${waterPct.low.toFixed(1)} to ${waterPct.high.toFixed(1)} %)`
    const at = `the limit of ${limit} %`
    if (waterPct.likely >= limit) return { verdict: 'replace', text: `${has}: at or past ${at}.`, basis }
    if (waterPct.likely >= WATCH_SHARE * limit)
      return { verdict: 'watch', text: `${has}: getting near ${at}.`, basis }
    if (waterPct.high >= limit)
      return { verdict: 'watch', text: `${has}: the tester cannot rule ${at} out.`, basis }
    return { verdict: 'keep', text: `${has}: well within ${at}.`, basis }
  },
  due(limit, { pair, readings, exchangedOn, today }) {
    if (!pair || (readings.length === 0 && exchangedOn === undefined)) return undefined
    // The fit passes one bad reading over; but while nothing newer speaks against it, what was measured past the limit
    // is due, good reading or bad.
    const last = readings.at(-1)
    if (last && last.waterPct >= limit)
      return {
        earliest: last.date,
        likely: last.date,
        latest: last.date,
        basis: 'fitted',
        text: `${last.waterPct.toFixed(1)} % water when it was last read, past ${limit} %`,
      }
    const due = moistureForecast({ readings, limitPct: limit, today, freshOn: exchangedOn })
    return {
      earliest: due.dueEarliest,
      likely: due.dueLikely,
      latest: due.dueLatest,
      basis: due.basis,
      text: `${limit} % water by its rise`,
    }
  },
}
