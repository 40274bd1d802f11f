import { type Fact, fact } from '../base/decision'
import { type RuleId, ruleIds, ruleOf } from './policy/index'
import type { LimitsInUse } from './policy/policy'
import type { Due, FluidHistory } from './policy/rule'

export type RuleDue = Due & { rule: RuleId | 'promised' | 'judged'; limit?: number }
/** When fluid is due: by the rule that comes first, and by each of them. */
export type FluidDue = RuleDue & { each: RuleDue[] }

/**
 * When a vehicle's fluid is due under the limits in use for it: whichever rule comes first, as a range of days.
 *
 * @param promisedOn a day that somebody wrote into the last record by hand: the maker's, or the customer's wish
 * @param condemned what the one judge said of the newest readings, where that was replace: it is due since that day
 * @returns undefined where no rule has anything to go by
 */
export function dueOf(
  history: FluidHistory,
  limits: LimitsInUse,
  { promisedOn, condemned }: { promisedOn?: string; condemned?: Condemned } = {},
): FluidDue | undefined {
  const byRule = ruleIds.flatMap((rule): RuleDue[] => {
    const limit = limits[rule]
    const due = limit === undefined ? undefined : ruleOf(rule).due(limit, history)
    return due && limit !== undefined ? [{ rule, limit, ...due }] : []
  })
  const each = [
    ...byRule,
    ...(promisedOn === undefined ? [] : [promised(promisedOn)]),
    ...(condemned && !byRule.some(({ likely }) => likely <= condemned.on) ? [condemnedDue(condemned)] : []),
  ].sort((a, b) => (a.likely < b.likely ? -1 : 1))
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
  says: fact('due-by-hand'),
})

/** Readings that the judge replaced the fluid for, and when they were taken. */
export type Condemned = { on: string; because: Fact }

const condemnedDue = ({ on, because }: Condemned): RuleDue => ({
  rule: 'judged',
  earliest: on,
  likely: on,
  latest: on,
  basis: 'given',
  says: because,
})
