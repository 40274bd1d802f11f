import { type Show, showIn } from '../units/show'
import { metricUnits } from '../units/units'
import { type RuleId, ruleIds, ruleOf } from './policy/index'
import type { LimitsInUse } from './policy/policy'
import type { Due, FluidHistory } from './policy/rule'

export type RuleDue = Due & { rule: RuleId | 'promised'; limit?: number }
/** When fluid is due: by the rule that comes first, and by each of them. */
export type FluidDue = RuleDue & { each: RuleDue[] }

/**
 * When a vehicle's fluid is due under the limits in use for it: whichever rule comes first, as a range of days.
 *
 * @param promisedOn a day that somebody wrote into the last record by hand: the maker's, or the customer's wish
 * @returns undefined where no rule has anything to go by
 */
export function dueOf(
  history: FluidHistory,
  limits: LimitsInUse,
  { promisedOn, show = showIn(metricUnits) }: { promisedOn?: string; show?: Show } = {},
): FluidDue | undefined {
  const byRule = ruleIds.flatMap((rule): RuleDue[] => {
    const limit = limits[rule]
    const due = limit === undefined ? undefined : ruleOf(rule).due(limit, history, show)
    return due && limit !== undefined ? [{ rule, limit, ...due }] : []
  })
  const each = [...byRule, ...(promisedOn === undefined ? [] : [promised(promisedOn)])].sort((a, b) =>
    a.likely < b.likely ? -1 : 1,
  )
  const [first] = each
  if (!first) return undefined
  // Whichever comes first: the range ends where the first of them must have come, and never before the likely day.
  const soonest = (days: string[]) => days.sort()[0] ?? first.likely
  const earliest = soonest(each.map((due) => due.earliest))
  const [latest = first.likely] = [soonest(each.map((due) => due.latest)), first.likely].sort().reverse()
  return { ...first, earliest, latest, each }
}

const promised = (on: string): RuleDue => ({
  rule: 'promised',
  earliest: on,
  likely: on,
  latest: on,
  basis: 'given',
  text: 'set by hand when the last job was filed',
})
