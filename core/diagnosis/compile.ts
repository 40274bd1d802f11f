import type { Shop } from '../plan/request'
import type { Check } from './check'
import { checks } from './checks'
import { showsLate } from './complaints'
import { labour, type Price, priceOfCheck, priceOfRepair } from './costs'
import { MENDED, type Model, type ModelCheck, type ModelRepair } from './decide/model'
import { type Hypothesis, shownBy } from './hypotheses'
import type { Repair } from './repair'
import type { Case } from './request'
import { foundAt, type Weighted } from './shares'
import { traitsOf } from './traits'
import { usualCosts } from './usual'
import { type Place, placeFor } from './where'

export type RepairChoice = { repair: Repair; place?: Place; price: Price }
export type CheckChoice = { check: Check; price: Price }
/** The model of a case, and what its checks and repairs are. */
export type Compiled = { model: Model; checks: CheckChoice[]; repairs: RepairChoice[] }

/** Checks that say something about this, were not made yet and can be made on this vehicle. */
export function openChecks({ vehicle, complaint, found }: Case): Check[] {
  const traits = traitsOf(vehicle)
  const low =
    complaint === 'low-level' || found.some(({ check, result }) => check === 'level' && result !== 'full')
  return checks.filter(
    ({ id, complaints, said, possible, onlyLow }) =>
      complaints.includes(complaint) &&
      !said?.includes(complaint) &&
      (possible?.(traits) ?? true) &&
      (!onlyLow || low) &&
      !found.some(({ check }) => check === id),
  )
}

/** Numbers for the search: what is left of a case once everything that was found is counted. */
export function compile(of: Case, weighted: readonly Weighted[], shop?: Shop): Compiled {
  const at = foundAt(of)
  const wrong = new Map<string, RepairChoice>()
  for (const { causes, mass } of weighted)
    for (const { repair, at: kind } of mass > 0 ? causes : []) {
      const place = placeFor(kind, at, of.vehicle, of.complaint)
      if (!wrong.has(repair.id))
        wrong.set(repair.id, { repair, place, price: priceOfRepair(of, repair, place, shop) })
    }
  const repairs = [...wrong.values()]
  const late = showsLate(of.complaint) ? usualCosts.comeback : 0
  const failCost = labour(of, usualCosts.proofMinutes) + late
  const modelRepairs = repairs.map(
    ({ repair, price }): ModelRepair => ({
      cost: price.cost,
      failCost,
      leaves: leavesOf(repair, weighted),
    }),
  )
  const open = openChecks(of).map((check): CheckChoice => ({ check, price: priceOfCheck(of, check, shop) }))
  return {
    checks: open,
    repairs,
    model: {
      prior: Float64Array.from(weighted, ({ mass }) => mass),
      checks: open.map(({ check, price }) => modelCheck(check, price, weighted, modelRepairs)),
      repairs: modelRepairs,
    },
  }
}

/** What is left of each hypothesis once this was mended. */
function leavesOf({ mends }: Repair, weighted: readonly Hypothesis[]): Int16Array {
  return Int16Array.from(weighted, ({ causes }, i) => {
    const left = causes.filter(({ id }) => !mends.includes(id))
    if (left.length === causes.length) return i
    if (left.length === 0) return MENDED
    return weighted.findIndex((each) => each.causes.length === 1 && each.causes[0] === left[0])
  })
}

function modelCheck(
  check: Check,
  { cost }: Price,
  weighted: readonly Hypothesis[],
  repairs: readonly ModelRepair[],
): ModelCheck {
  const rows = weighted.map((hypothesis) => shownBy(check, hypothesis))
  return {
    cost,
    results: check.results.map((result, r) => ({
      chance: Float64Array.from(rows, (row) => row[r] ?? 0),
      ...(check.ends?.result === result && { ends: comebacks(check.ends.mends, weighted, repairs) }),
    })),
  }
}

/** A vehicle that leaves as sound and is not comes back, and is mended then. */
function comebacks(
  mends: readonly string[],
  weighted: readonly Hypothesis[],
  repairs: readonly ModelRepair[],
): Float64Array {
  return Float64Array.from(weighted, ({ causes }, i) => {
    if (causes.every(({ id }) => mends.includes(id))) return 0
    const mending = repairs.filter(({ leaves }) => leaves[i] !== i).map(({ cost }) => cost)
    // What nothing mends any more is nobody’s: it was mended in vain already.
    return mending.length > 0 ? usualCosts.comeback + Math.min(...mending) : 0
  })
}
