import { dayNumber, isoDate } from '../../base/day'
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
  name: 'Distance',
  unit: 'km',
  quantity: 'distance',
  usual: 48_000,
  min: 500,
  max: 500_000,
  basis: 'practice',
  words: (limit, show) => `every ${show('distance', limit)}`,
  harder: (limit) => limit,
  judge(limit, { kmSince }, show) {
    const basis = 'practice'
    if (kmSince === undefined)
      return { verdict: 'unknown', text: 'Nobody knows how far it has gone since the last exchange.', basis }
    const text = `${show('distance', kmSince)} since the last exchange; the limit is ${show('distance', limit)}.`
    if (kmSince >= limit) return { verdict: 'replace', text, basis }
    return { verdict: kmSince >= WATCH_SHARE * limit ? 'watch' : 'keep', text, basis }
  },
  due(limit, { exchangedKm, odometer, today }, show) {
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
      text: `${show('distance', limit)} at ${show('distance', Math.round(kmPerDay * 365.25))} a year`,
    }
  },
}
