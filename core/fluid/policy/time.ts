import { monthsAfter } from '../../base/day'
import type { Rule } from './rule'

/** So long before its time fluid is worth watching. @source from memory */
const WATCH_MONTHS = 3

/** Replace by age. @source common practice: 24 months for cars, 12 for some motorcycles */
export const timeRule: Rule = {
  name: 'Time in service',
  unit: 'months',
  usual: 24,
  min: 1,
  max: 120,
  basis: 'practice',
  words: (limit) => `every ${limit} months`,
  harder: (limit, { mostMonths }) => Math.min(limit, mostMonths),
  judge(limit, { monthsSince }) {
    const basis = 'practice'
    if (monthsSince === undefined)
      return { verdict: 'unknown', text: 'Nobody knows when it was last exchanged.', basis }
    const has = `${Math.floor(monthsSince)} months since the last exchange`
    if (monthsSince >= limit) return { verdict: 'replace', text: `${has}: the limit is ${limit}.`, basis }
    const near = monthsSince >= limit - WATCH_MONTHS
    return { verdict: near ? 'watch' : 'keep', text: `${has}, of ${limit}.`, basis }
  },
  due(limit, { exchangedOn }) {
    if (exchangedOn === undefined) return undefined
    const on = monthsAfter(exchangedOn, limit)
    return {
      earliest: on,
      likely: on,
      latest: on,
      basis: 'given',
      text: `${limit} months after the last exchange`,
    }
  },
}
