import type { Cause } from './cause'
import { causes } from './causes'
import type { Check } from './check'
import { checkOf } from './checks'
import type { Complaint } from './complaints'
import { pairs } from './pairs'
import type { Case, Found } from './request'
import { rowOf } from './row'
import { touchedBy } from './touched'
import { traitsOf } from './traits'

/** What is wrong: one cause, or two at once. */
export type Hypothesis = { causes: readonly Cause[]; prior: number }

/** Rubber of so many years is as likely to be it as the tables say; half as likely when new. @source from memory */
const rubberOf = (ageYears: number | undefined): number => (ageYears === undefined ? 1 : 0.5 + ageYears / 12)

/** Everything that this vehicle could have with this complaint, how likely before anybody looks. */
export function hypothesesOf({
  vehicle,
  complaint,
  history,
  own,
}: Pick<Case, 'vehicle' | 'complaint' | 'history' | 'own'>): Hypothesis[] {
  const traits = traitsOf(vehicle)
  const touched = touchedBy(history, vehicle)
  const usual = shareOf(complaint, own)
  const prior = (cause: Cause): number =>
    usual(cause) * (cause.rubber ? rubberOf(touched.ageYears) : 1) * (cause.history?.(touched) ?? 1)
  const singles = causes
    .filter(({ possible }) => possible?.(traits) ?? true)
    .map((cause): Hypothesis => ({ causes: [cause], prior: prior(cause) }))
    .filter((each) => each.prior > 0)
  const alone = new Map(singles.map((each) => [each.causes[0]?.id, each]))
  const both = pairs.flatMap(({ both: [a, b], pct }): Hypothesis[] => {
    const [one, other] = [alone.get(a), alone.get(b)]
    if (!one || !other) return []
    return [
      {
        causes: [...one.causes, ...other.causes],
        prior: ((pct / 100) * (one.prior + other.prior)) / 2,
      },
    ]
  })
  return [...singles, ...both]
}

/** The tables count as so many of a shop's own cases. @source from memory */
const AS_CASES = 20

/**
 * How often it is that with this complaint: the tables and the shop's own cases, weighed by how many there are. What
 * brakes may be lost by never counts for less than the tables have it.
 */
function shareOf(complaint: Complaint, own: Case['own'] = {}): (cause: Cause) => number {
  const all = causes.reduce((sum, { chance }) => sum + (chance[complaint] ?? 0), 0)
  const count = Object.values(own).reduce<number>((sum, each) => sum + (each ?? 0), 0)
  return ({ id, chance, unsafe }) => {
    const tabled = (chance[complaint] ?? 0) / all
    const weighed = (AS_CASES * tabled + (own[id] ?? 0)) / (AS_CASES + count)
    return unsafe ? Math.max(tabled, weighed) : weighed
  }
}

/** Chances of a check's results where this is wrong, in the order of its results. */
export function shownBy(check: Check, { causes: wrong }: Pick<Hypothesis, 'causes'>): readonly number[] {
  const rows = wrong.map(({ id }) => rowOf(check, id))
  const [row] = rows
  if (rows.length < 2 || !row) return row ?? check.otherwise
  // Each of two faults shows itself or does not, whatever the other does; what neither shows is the sound result.
  const signs = check.results.map((_, i) =>
    i === 0 ? 0 : 1 - rows.reduce((not, each) => not * (1 - (each[i] ?? 0)), 1),
  )
  const all = signs.reduce((sum, each) => sum + each, 0)
  const most = Math.max(1 - rows.reduce((both, each) => both * (each[0] ?? 0), 1), 0)
  // As much of a sign in all as both together leave room for.
  return signs.map((sign, i) => (i === 0 ? 1 - most : all > 0 ? (sign * most) / all : 0))
}

/** How likely all of this is to be found where this is wrong and somebody complains of it. */
export function likelihood(
  found: readonly Found[],
  hypothesis: Pick<Hypothesis, 'causes'>,
  complaint: Complaint,
): number {
  return found.reduce((chance, { check, result }) => {
    const of = checkOf(check)
    if (!of || of.said?.includes(complaint)) return chance
    return chance * (shownBy(of, hypothesis)[of.results.indexOf(result)] ?? 1)
  }, 1)
}
