import { type Action, costOf, type Mass, type Model, massOf, NOBODY, successors } from './model'
import { repairsOnly } from './repairs-only'

/**
 * What is still to be paid once this is done, times the sum of the mass, looking some steps ahead and then mending
 * without looking. It is the cost of a way that can be gone, so never below the least.
 *
 * @param checks those that are thought of; those made already are not among them
 * @param depth how many more looks are reckoned with
 * @param width how many ways are followed at each of them
 */
export function costAhead(
  model: Model,
  mass: Mass,
  checks: readonly number[],
  action: Action,
  depth: number,
  width: number,
): number {
  const { paid, left } = successors(model, mass, action)
  const after = action.kind === 'check' ? checks.filter((check) => check !== action.index) : checks
  let cost = paid
  for (const each of left) cost += best(model, each, after, depth, width)
  return cost
}

function best(model: Model, mass: Mass, checks: readonly number[], depth: number, width: number): number {
  const here = massOf(mass)
  if (here <= NOBODY) return 0
  const blind = repairsOnly(model, mass)
  if (depth === 0) return blind.cost
  const looks = checks
    .map((index) => {
      const action: Action = { kind: 'check', index }
      return { action, estimate: sumOf(model, mass, checks, action, 0, width) }
    })
    .sort((a, b) => a.estimate - b.estimate)
  const known = Math.min(blind.cost, looks[0]?.estimate ?? Number.POSITIVE_INFINITY)
  if (depth === 1) return known
  const further: Action[] = looks.slice(0, width).map(({ action }) => action)
  // Mending what is next without looking, and looking then.
  if (blind.begins >= 0) further.push({ kind: 'repair', index: blind.begins })
  // What tells most here tells most one step on too.
  const among = looks.slice(0, 2 * width).map(({ action }) => action.index)
  return further.reduce(
    (least, action) => Math.min(least, sumOf(model, mass, among, action, depth - 1, width)),
    known,
  )
}

const sumOf = (
  model: Model,
  mass: Mass,
  checks: readonly number[],
  action: Action,
  depth: number,
  width: number,
): number => costOf(model, action) * massOf(mass) + costAhead(model, mass, checks, action, depth, width)
