import { costAhead } from './ahead'
import { leastAfter } from './exact'
import { type Action, actionsOf, costOf, type Model, massOf } from './model'

/** What an action comes to: its own cost, and the mean of what is still to be paid once it is done. */
export type Weighed = Action & { cost: number; after: number }

/** How far is looked ahead. */
export type Effort = {
  /** A model of no more checks and no more repairs is searched to its end. */
  exact: { checks: number; repairs: number }
  /** In larger ones, so many actions are looked at more closely at the beginning, and so many at each step on. */
  closely: number
  width: number
}
export const usualEffort: Effort = { exact: { checks: 2, repairs: 4 }, closely: 8, width: 3 }

/**
 * What each action comes to in the mean, with the best that can be done after it.
 *
 * Small models are searched to their end, and the figures are the least there are. In large ones what comes later is
 * looked at some steps ahead and then as mending without looking: the figures are those of a way that can be gone, so
 * that the least is never above them.
 *
 * @returns one for each check and repair, in the model's order
 */
export function weighAll(model: Model, { exact, closely, width }: Effort = usualEffort): Weighed[] {
  const begun = massOf(model.prior)
  const weighed = (action: Action, after: number): Weighed => ({
    ...action,
    cost: costOf(model, action),
    after: after / begun,
  })
  const all = actionsOf(model)
  if (model.checks.length <= exact.checks && model.repairs.length <= exact.repairs) {
    const unused = new Set(model.checks.keys())
    return all.map((action) => weighed(action, leastAfter(model, model.prior, unused, action)))
  }
  const checks = [...model.checks.keys()]
  const ahead = (action: Action, among: readonly number[], depth: number): Weighed =>
    weighed(action, costAhead(model, model.prior, among, action, depth, width))
  // Which checks tell most at first sight, then every action with these to follow, then the best of them from further off.
  const telling = byCost(all.filter(({ kind }) => kind === 'check').map((action) => ahead(action, checks, 0)))
    .slice(0, closely)
    .map(({ index }) => index)
  const found = all.map((action) => ahead(action, telling, 1))
  for (const each of byCost(found).slice(0, closely)) Object.assign(each, ahead(each, telling, 2))
  return found
}

const byCost = (weighed: readonly Weighed[]): Weighed[] =>
  [...weighed].sort((a, b) => a.cost + a.after - b.cost - b.after)

/**
 * Nobody gets away with less: everybody pays at least the cheapest thing that does something about their own fault, as
 * if it were known.
 */
export function atLeast({ prior, checks, repairs }: Model): number {
  let sum = 0
  for (let i = 0; i < prior.length; i++) {
    const ends = checks.flatMap(({ cost, results }) =>
      results.flatMap(({ chance, ends: paid }) =>
        paid && (chance[i] ?? 0) > 0 ? [cost + (paid[i] ?? 0)] : [],
      ),
    )
    const mends = repairs.flatMap(({ cost, leaves }) => (leaves[i] === i ? [] : [cost]))
    sum += (prior[i] ?? 0) * Math.min(...ends, ...mends)
  }
  return sum / massOf(prior)
}
