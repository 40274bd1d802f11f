import { dayNumber, isoDate } from '../../base/day'
import { fact } from '../../base/decision'
import type { Rule } from './rule'

/** So near below its distance fluid is worth watching. @source from memory */
const WATCH_SHARE = 0.9
/** Readings of the odometer closer together say nothing of how a vehicle is driven. @source from memory */
const LEAST_DAYS = 30
/** How far next year's driving may differ from the last. @source from memory */
const SPREAD = 0.3
const HORIZON_DAYS = 30 * 365.25

/** Replace by distance. @source common practice: 48 000 km (30 000 mi) */
export const distanceRule: Rule = {
  unit: 'km',
  quantity: 'distance',
  usual: 48_000,
  min: 500,
  max: 500_000,
  basis: 'practice',
  words: (limit) => fact('limit-distance', { limitKm: limit }),
  harder: (limit) => limit,
  judge(limit, { kmSince }) {
    const basis = 'practice'
    if (kmSince === undefined) return { verdict: 'unknown', ...fact('distance-not-known'), basis }
    const says = fact('distance-since', { sinceKm: kmSince, limitKm: limit })
    if (kmSince >= limit) return { verdict: 'replace', ...says, basis }
    return { verdict: kmSince >= WATCH_SHARE * limit ? 'watch' : 'keep', ...says, basis }
  },
  due(limit, { exchangedKm, odometer, today }) {
    const [first, last] = [odometer[0], odometer.at(-1)]
    if (exchangedKm === undefined || !first || !last) return undefined
    const days = dayNumber(last.date) - dayNumber(first.date)
    const kmPerDay = (last.km - first.km) / days
    if (days < LEAST_DAYS || !(kmPerDay > 0)) return undefined
    const left = exchangedKm + limit - last.km
    const now = dayNumber(today)
    const on = (rate: number) =>
      isoDate(Math.min(now + HORIZON_DAYS, Math.max(now, dayNumber(last.date) + left / rate)))
    return {
      earliest: on(kmPerDay * (1 + SPREAD)),
      likely: on(kmPerDay),
      latest: on(kmPerDay * (1 - SPREAD)),
      basis: 'fitted',
      says: fact('due-distance', { limitKm: limit, yearKm: Math.round(kmPerDay * 365.25) }),
    }
  },
}
