import type { CauseShare } from './answer'
import { causeOf } from './causes'
import type { Check } from './check'
import { checkOf } from './checks'
import { type Hypothesis, hypothesesOf, likelihood } from './hypotheses'
import type { Case } from './request'
import { placeFor } from './where'

/** What is wrong, and how likely now. */
export type Weighted = Hypothesis & { mass: number }

/** By Bayes: before anybody looked, times how likely all that was found is. @returns masses that add up to 1 */
export function weightedOf(of: Case): Weighted[] {
  const all = hypothesesOf(of).map((each) => ({
    ...each,
    mass: each.prior * likelihood(of.found, each, of.complaint),
  }))
  for (const id of of.tried) mend(all, causeOf(id)?.repair.mends ?? [])
  const ended = endedBy(of)
  const named = ended ? all.filter(({ causes }) => causes.every(({ id }) => ended.mends.includes(id))) : all
  // What was mended cannot have been any other; where nothing of it was thought of, the rest stands.
  const left = named.some(({ mass }) => mass > 0) ? named : all
  const sum = left.reduce((total, { mass }) => total + mass, 0)
  return sum > 0 ? left.map((each) => ({ ...each, mass: each.mass / sum })) : []
}

/** It was mended and is still there: what it mends was not it, and of two faults one is left. */
function mend(all: Weighted[], mends: readonly string[]): void {
  for (const each of all) {
    const left = each.causes.filter(({ id }) => !mends.includes(id))
    if (left.length === each.causes.length) continue
    const single = all.find(({ causes }) => causes.length === 1 && causes[0] === left[0])
    if (single) single.mass += each.mass
    each.mass = 0
  }
}

/** What was found that ends the search: the vehicle is sound, and this mended it. */
export function endedBy({ found }: Pick<Case, 'found'>): NonNullable<Check['ends']> | undefined {
  for (const { check, result } of found) {
    const ends = checkOf(check)?.ends
    if (ends?.result === result) return ends
  }
  return undefined
}

/** Every cause that is possible, likeliest first; two at once count half for each. Shares add up to 1. */
export function sharesOf(of: Case, weighted: readonly Weighted[] = weightedOf(of)): CauseShare[] {
  const shares = new Map<string, number>()
  for (const { causes, mass } of weighted)
    for (const { id } of causes) shares.set(id, (shares.get(id) ?? 0) + mass / causes.length)
  const kinds = new Map(weighted.flatMap(({ causes }) => causes.map((cause) => [cause.id, cause.at])))
  return [...shares]
    .filter(([, share]) => share > 0)
    .sort(([, a], [, b]) => b - a)
    .map(([id, share]) => {
      const at = placeFor(kinds.get(id), foundAt(of), of.vehicle, of.complaint)?.id
      return { id, share, ...(at !== undefined && { at }) }
    })
}

/** Where something was found last. */
export const foundAt = ({ found }: Pick<Case, 'found'>): string | undefined =>
  found.findLast(({ at }) => at !== undefined)?.at
