import type { Chance } from '~core/base/random'
import type { Cause } from '~core/diagnosis/cause'
import { causeOf } from '~core/diagnosis/causes'
import { checkOf } from '~core/diagnosis/checks'
import { showsLate } from '~core/diagnosis/complaints'
import { labour, partsFor, priceOfCheck, priceOfPart, priceOfRepair } from '~core/diagnosis/costs'
import { diagnose } from '~core/diagnosis/diagnose'
import { shownBy } from '~core/diagnosis/hypotheses'
import { type Case, historySchema } from '~core/diagnosis/request'
import { sharesOf } from '~core/diagnosis/shares'
import { usualCosts } from '~core/diagnosis/usual'
import { type Hidden, isPhysical } from './hidden'
import { looksOnRig } from './looks-on-rig'

/** So many answers in a hundred are wrong for no reason of the vehicle’s: misread, mistyped, looked at the wrong wheel. @source from memory */
const MISTAKEN_PCT = 3

/** What somebody does next: a look, or mending a cause. */
export type Move = { kind: 'check' | 'repair'; id: string }
export type Policy = (of: Case) => Move | undefined

export type Outcome = {
  mended: boolean
  cost: number
  minutes: number
  looks: number
  repairs: number
  /** Money spent on parts that mended nothing. */
  wasted: number
  /** Taken for sound while something was still wrong, and found by the proof. */
  caught: number
}

/** What is advised. */
export const advised: Policy = (of) => diagnose(of).next[0]

/** The likeliest thing is mended, then the next likeliest: nothing is looked at. */
export const likeliestFirst: Policy = (of) => {
  const [top] = sharesOf(of)
  return top && { kind: 'repair', id: top.id }
}

const list = [
  'level',
  'wet-places',
  'pump-up',
  'hold-firm',
  'bubbles',
  'flow',
  'three-efforts',
  'pushrod',
  'return',
  'heat',
]
/** The same list every time, then the likeliest by what it said. */
export const checklist: Policy = (of) => {
  const open = list.find((id) => {
    const check = checkOf(id)
    return (
      check?.complaints.includes(of.complaint) &&
      !check.said?.includes(of.complaint) &&
      !of.found.some((found) => found.check === id)
    )
  })
  return open === undefined ? likeliestFirst(of) : { kind: 'check', id: open }
}

/** What a printed list says to a sign: in its order, the first that was seen and not tried. @source common practice */
const arrows: readonly [check: string, result: string, cause: string][] = [
  ['wet-places', 'wheel', 'outside-leak'],
  ['wet-places', 'line', 'outside-leak'],
  ['wet-places', 'booster', 'booster-leak'],
  ['pushrod', 'tight', 'pushrod-tight'],
  ['pushrod', 'slack', 'pushrod-slack'],
  ['hold-firm', 'sinks', 'cylinder-bypass'],
  ['flow', 'weak-one', 'hose-closed'],
  ['flow', 'none-one', 'hose-closed'],
  ['flow', 'none', 'cylinder-no-draw'],
  ['bubbles', 'thin-out', 'air-lines'],
  ['bubbles', 'never-end', 'bleeder-not-at-top'],
  ['pump-up', 'improves', 'air-lines'],
  ['three-efforts', 'curved', 'air-lines'],
  ['three-efforts', 'straight', 'hose-soft'],
  ['heat', 'one', 'brake-seized'],
  ['heat', 'all', 'cylinder-no-return'],
]
/** The same list, then what it says to each sign, then the most frequent of what is left: nothing is weighed. */
export const printedList: Policy = (of) => {
  const look = checklist(of)
  if (look?.kind === 'check') return look
  const left = sharesOf({ ...of, found: [] })
  const told = arrows.find(
    ([check, result, cause]) =>
      of.found.some((found) => found.check === check && found.result === result) &&
      left.some(({ id }) => id === cause),
  )
  const id = told?.[2] ?? left[0]?.id
  return id === undefined ? undefined : { kind: 'repair', id }
}

/** What the vehicle answers: from the rig where it can, else by chance as the tables have it; sometimes mistaken. */
function answer(hidden: Hidden, id: string, chance: Chance): string {
  const check = checkOf(id)
  if (!check) throw new Error(`no check ${id}`)
  if (!check.ends && chance.yes(MISTAKEN_PCT / 100)) return chance.of(check.results)
  const look = looksOnRig[id]
  // Beside something that the rig cannot have, the tables speak for what it would show.
  if (look && hidden.causes.every((cause) => isPhysical(cause) || !check.under[cause.id]))
    return look(hidden, chance)
  let left = chance.next()
  const row = shownBy(check, hidden)
  return check.results.find((_, i) => {
    left -= row[i] ?? 0
    return left < 0
  }) as string
}

/** Work until it is right, and what that comes to. The proof after each repair is what it is: it says the truth. */
export function work(begun: Hidden, policy: Policy, chance: Chance): Outcome {
  let hidden = begun
  let of = caseOf(begun)
  const outcome: Outcome = { mended: false, cost: 0, minutes: 0, looks: 0, repairs: 0, wasted: 0, caught: 0 }
  const late = showsLate(begun.complaint)
  for (let step = 0; step < 60 && hidden.causes.length > 0; step++) {
    const move = policy(of)
    if (!move) break
    if (move.kind === 'check') {
      const check = checkOf(move.id)
      if (!check) break
      const price = priceOfCheck(of, check)
      outcome.looks++
      outcome.cost += price.cost
      outcome.minutes += price.minutes
      const result = answer(hidden, move.id, chance)
      if (check.ends?.result === result) {
        const left = without(hidden.causes, check.ends.mends)
        hidden = { ...hidden, causes: left }
        if (left.length === 0) break
        // It is taken for sound, drives off and comes back; what it was not is known then.
        outcome.caught++
        outcome.cost += usualCosts.comeback
        of = { ...of, tried: [...of.tried, ...check.ends.mends.filter((id) => id !== 'air-unit')] }
        of = { ...of, found: [...of.found, { check: check.id, result: other(check.results, result) }] }
        continue
      }
      of = { ...of, found: [...of.found, { check: move.id, result }] }
      continue
    }
    const cause = causeOf(move.id) as Cause
    const price = priceOfRepair(of, cause.repair, undefined)
    outcome.repairs++
    outcome.cost += price.cost
    outcome.minutes += price.minutes
    const before = hidden.causes.length
    hidden = { ...hidden, causes: without(hidden.causes, cause.repair.mends) }
    if (hidden.causes.length === before)
      outcome.wasted += partsFor(cause.repair, of.vehicle, undefined).reduce(
        (sum, key) => sum + priceOfPart(of, key),
        0,
      )
    if (hidden.causes.length === 0) break
    outcome.cost += labour(of, usualCosts.proofMinutes) + (late ? usualCosts.comeback : 0)
    // Answers given before still hold, but for what was mended.
    of = { ...of, tried: [...of.tried, move.id] }
  }
  outcome.mended = hidden.causes.length === 0
  return outcome
}

const without = (all: readonly Cause[], mends: readonly string[]) =>
  all.filter(({ id }) => !mends.includes(id))
const other = (results: readonly string[], not: string) => results.find((each) => each !== not) ?? not

/** What mending comes to for somebody who knows what is wrong. */
export function costIfKnown({ vehicle, complaint, causes: wrong }: Hidden): number {
  const of = caseOf({ vehicle, complaint })
  let [left, cost] = [wrong, 0]
  while (left[0]) {
    const [{ repair }] = left as [Cause]
    cost += priceOfRepair(of, repair, undefined).cost
    left = without(left, repair.mends)
  }
  return cost
}

const caseOf = ({ vehicle, complaint }: Pick<Hidden, 'vehicle' | 'complaint'>): Case => ({
  vehicle,
  complaint,
  history: historySchema.parse({}),
  found: [],
  tried: [],
  costs: { parts: {} },
})
