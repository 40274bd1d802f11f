import { monthsAfter } from '../../base/day'
import { fact } from '../../base/decision'
import type { Rule } from './rule'

/** So long before its time fluid is worth watching. @source from memory */
const WATCH_MONTHS = 3

/** Replace by age. @source common practice: 24 months for cars, 12 for some motorcycles */
export const timeRule: Rule = {
  unit: 'months',
  usual: 24,
  min: 1,
  max: 120,
  basis: 'practice',
  words: (limit) => fact('limit-time', { limit }),
  harder: (limit, { mostMonths }) => Math.min(limit, mostMonths),
  judge(limit, { monthsSince }) {
    const basis = 'practice'
    if (monthsSince === undefined) return { verdict: 'unknown', ...fact('time-not-known'), basis }
    const says = fact('time-since', { months: Math.floor(monthsSince), limit })
    if (monthsSince >= limit) return { verdict: 'replace', ...says, basis }
    const near = monthsSince >= limit - WATCH_MONTHS
    return { verdict: near ? 'watch' : 'keep', ...says, basis }
  },
  due(limit, { exchangedOn }) {
    if (exchangedOn === undefined) return undefined
    const on = monthsAfter(exchangedOn, limit)
    return {
      earliest: on,
      likely: on,
      latest: on,
      basis: 'given',
      says: fact('due-time', { limit }),
    }
  },
}
