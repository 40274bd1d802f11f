import { type Action, actionsOf, costOf, type Mass, type Model, massOf, NOBODY, successors } from './model'
import { repairsOnly } from './repairs-only'

/** Checks that were not made yet. */
export type Checks = ReadonlySet<number>

/** The least that is to be paid once this is done, times the sum of the mass: every way is followed to its end. */
export function leastAfter(model: Model, mass: Mass, unused: Checks, action: Action): number {
  const { paid, left } = successors(model, mass, action)
  const checks = action.kind === 'check' ? without(unused, action.index) : unused
  return left.reduce((sum, each) => sum + least(model, each, checks), paid)
}

function least(model: Model, mass: Mass, unused: Checks): number {
  const here = massOf(mass)
  if (here <= NOBODY) return 0
  let best = repairsOnly(model, mass).cost
  for (const action of actionsOf(model)) {
    if (action.kind === 'check' && !unused.has(action.index)) continue
    const own = costOf(model, action) * here
    // Dearer by itself than what is known already.
    if (own >= best) continue
    best = Math.min(best, own + leastAfter(model, mass, unused, action))
  }
  return best
}

const without = (checks: Checks, check: number): Checks => {
  const left = new Set(checks)
  left.delete(check)
  return left
}
