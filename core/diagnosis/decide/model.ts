/**
 * What may be wrong, what can be looked at, what can be mended: numbers alone. It knows no brakes, so that its search can
 * be held against any other on models of any kind.
 *
 * A hypothesis is what is wrong, which may be two things at once. A mass is a chance for each hypothesis, not made to
 * add up to 1: what it adds up to is the chance of coming there at all. So a cost that is counted once for everybody who
 * comes there is the cost times the sum of the mass, and no step divides.
 */
export type Model = {
  prior: Mass
  checks: readonly ModelCheck[]
  repairs: readonly ModelRepair[]
}
export type Mass = Float64Array

export type ModelCheck = { cost: number; results: readonly ModelResult[] }
export type ModelResult = {
  /** Chance of this result under each hypothesis, 0 to 1; the results of a check add up to 1 under each. */
  chance: Float64Array
  /** Where it ends the search: what is still to be paid under each hypothesis, as a comeback where nothing was mended. */
  ends?: Float64Array
}
export type ModelRepair = {
  cost: number
  /** Paid where something is still wrong afterwards: the proof that says so, and what a comeback costs. */
  failCost: number
  /** What is left of each hypothesis: the index of another, or `MENDED`. */
  leaves: Int16Array
}
export const MENDED = -1

/** Something that can be done next, by its place in the model. */
export type Action = { kind: 'check' | 'repair'; index: number }

export function massOf(mass: Mass): number {
  let sum = 0
  for (let i = 0; i < mass.length; i++) sum += mass[i] as number
  return sum
}

/** So little of a mass is nobody. */
export const NOBODY = 1e-12

export const actionsOf = ({ checks, repairs }: Model): Action[] => [
  ...checks.map((_, index): Action => ({ kind: 'check', index })),
  ...repairs.map((_, index): Action => ({ kind: 'repair', index })),
]
export const costOf = (model: Model, { kind, index }: Action): number =>
  (kind === 'check' ? model.checks[index] : model.repairs[index])?.cost ?? 0

/** What comes of doing something: what is paid then at once, and everybody who is left, by what was shown. */
export function successors(model: Model, mass: Mass, action: Action): { paid: number; left: Mass[] } {
  if (action.kind === 'repair') {
    const repair = model.repairs[action.index]
    return repair ? afterRepair(mass, repair) : { paid: 0, left: [] }
  }
  let paid = 0
  const left: Mass[] = []
  for (const { chance, ends } of model.checks[action.index]?.results ?? []) {
    const shown = new Float64Array(mass.length)
    for (let i = 0; i < mass.length; i++) shown[i] = (mass[i] as number) * (chance[i] as number)
    if (ends) for (let i = 0; i < mass.length; i++) paid += (shown[i] as number) * (ends[i] as number)
    else left.push(shown)
  }
  return { paid, left }
}

function afterRepair(mass: Mass, { leaves, failCost }: ModelRepair): { paid: number; left: Mass[] } {
  const left = new Float64Array(mass.length)
  let changed = false
  for (let i = 0; i < mass.length; i++) {
    const [to, here] = [leaves[i] as number, mass[i] as number]
    if (to !== MENDED) left[to] = (left[to] as number) + here
    changed ||= to !== i && here > 0
  }
  const here = massOf(left)
  // What changes nothing is no step, and would go on for ever.
  if (!changed) return { paid: Number.POSITIVE_INFINITY, left: [] }
  return { paid: failCost * here, left: here > NOBODY * massOf(mass) ? [left] : [] }
}
