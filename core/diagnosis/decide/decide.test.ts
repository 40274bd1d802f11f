import { describe, expect, test } from 'vitest'
import { Chance } from '~core/base/random'
import { atLeast, weighAll } from './least-cost'
import { MENDED, type Model, massOf } from './model'
import { repairsOnly } from './repairs-only'

/** A made-up model of one or two faults; every hypothesis is mended by something. */
function anyModel(chance: Chance, most: { checks: number; faults: number; pairs: boolean }): Model {
  const faults = 2 + chance.below(most.faults - 1)
  const pair = most.pairs && chance.yes(0.5)
  const count = faults + (pair ? 1 : 0)
  const prior = Float64Array.from({ length: count }, () => 0.05 + chance.next())
  const checks = Array.from({ length: chance.below(most.checks + 1) }, () => {
    const shown = Array.from({ length: count }, () => chance.of([0, 0.05, 0.5, 0.9, 1, chance.next()]))
    const ends = chance.yes(0.25) ? { ends: Float64Array.from(shown, () => chance.of([0, 30])) } : {}
    return {
      cost: chance.of([0.5, 1, 4, 10]),
      results: [
        { chance: Float64Array.from(shown), ...ends },
        { chance: Float64Array.from(shown, (each) => 1 - each) },
      ],
    }
  })
  const repairs = Array.from({ length: faults }, (_, mends) => {
    const also = chance.yes(0.3) ? chance.below(faults) : mends
    const leaves = Int16Array.from({ length: count }, (_, i) => (i === mends || i === also ? MENDED : i))
    // The last hypothesis is the first two faults at once.
    if (pair) {
      const left = [0, 1].filter((fault) => leaves[fault] !== MENDED)
      leaves[faults] = left.length === 2 ? faults : (left[0] ?? MENDED)
    }
    return { cost: 1 + 20 * chance.next(), failCost: chance.of([0, 3]), leaves }
  })
  return { prior, checks, repairs }
}

/** The least there is, by trying every way to its end: no bound, no order, nothing remembered. */
function byTrying({ checks, repairs }: Model, chances: number[], made: number[]): number {
  const all = chances.reduce((sum, each) => sum + each, 0)
  if (all < 1e-12) return 0
  const share = chances.map((each) => each / all)
  let least = Number.POSITIVE_INFINITY
  for (const [c, { cost, results }] of checks.entries()) {
    if (made.includes(c)) continue
    let mean = cost
    for (const { chance, ends } of results) {
      const joint = share.map((each, i) => each * (chance[i] ?? 0))
      const shown = joint.reduce((sum, each) => sum + each, 0)
      if (ends) mean += joint.reduce((sum, each, i) => sum + each * (ends[i] ?? 0), 0)
      else if (shown > 1e-12) mean += shown * byTrying({ checks, repairs } as Model, joint, [...made, c])
    }
    least = Math.min(least, mean)
  }
  for (const { cost, failCost, leaves } of repairs) {
    if (!share.some((each, i) => each > 0 && leaves[i] !== i)) continue
    const left = share.map(() => 0)
    for (const [i, each] of share.entries()) {
      const to = leaves[i] ?? i
      if (to !== MENDED) left[to] = (left[to] ?? 0) + each
    }
    const fails = left.reduce((sum, each) => sum + each, 0)
    const rest = fails > 1e-12 ? fails * (failCost + byTrying({ checks, repairs } as Model, left, made)) : 0
    least = Math.min(least, cost + rest)
  }
  return least
}

const sumOf = ({ cost, after }: { cost: number; after: number }) => cost + after
const whole = { exact: { checks: 9, repairs: 9 }, closely: 8, width: 3 }

describe('the least expected cost', () => {
  test('of 500 small models is what trying every way to its end gives, to 1e-9', () => {
    const chance = new Chance(20)
    for (let i = 0; i < 500; i++) {
      const model = anyModel(chance, { checks: 2, faults: 3, pairs: true })
      const found = Math.min(...weighAll(model, whole).map(sumOf))
      const tried = byTrying(model, [...model.prior], [])
      expect(Math.abs(found - tried), `model ${i}`).toBeLessThan(1e-9 * Math.max(1, tried))
    }
  })

  test('without checks, one repair a fault: most chance for its cost first, and no order is cheaper', () => {
    const chance = new Chance(21)
    for (let i = 0; i < 200; i++) {
      const { prior } = anyModel(chance, { checks: 0, faults: 5, pairs: false })
      const failCost = chance.of([0, 5])
      const repairs = [...prior].map((_, mends) => ({
        cost: 1 + 20 * chance.next(),
        failCost,
        leaves: Int16Array.from(prior, (_, h) => (h === mends ? MENDED : h)),
      }))
      const model = { prior, checks: [], repairs }
      const rule = repairsOnly(model, prior).cost / massOf(prior)
      expect(rule).toBeCloseTo(byTrying(model, [...prior], []), 9)
    }
  })

  test('of a large model lies between what everybody pays at least and mending without looking', () => {
    const chance = new Chance(22)
    for (let i = 0; i < 100; i++) {
      const model = anyModel(chance, { checks: 4, faults: 5, pairs: true })
      const bounded = Math.min(
        ...weighAll(model, { exact: { checks: 0, repairs: 0 }, closely: 4, width: 2 }).map(sumOf),
      )
      const exact = Math.min(...weighAll(model, whole).map(sumOf))
      expect(bounded).toBeGreaterThanOrEqual(exact - 1e-9)
      expect(exact).toBeGreaterThanOrEqual(atLeast(model) - 1e-9)
      expect(bounded).toBeLessThanOrEqual(repairsOnly(model, model.prior).cost / massOf(model.prior) + 1e-9)
    }
  })

  test('a check that tells nothing is never worth its cost, one that tells all for nothing always', () => {
    const prior = Float64Array.of(0.5, 0.3, 0.2)
    const repairs = [0, 1, 2].map((mends) => ({
      cost: 10,
      failCost: 0,
      leaves: Int16Array.from([0, 1, 2], (h) => (h === mends ? MENDED : h)),
    }))
    const silent = {
      cost: 1,
      results: [{ chance: Float64Array.of(0.4, 0.4, 0.4) }, { chance: Float64Array.of(0.6, 0.6, 0.6) }],
    }
    const telling = {
      cost: 0,
      results: [0, 1, 2].map((shown) => ({
        chance: Float64Array.from([0, 1, 2], (h) => (h === shown ? 1 : 0)),
      })),
    }
    const [nothing, all, blind] = weighAll({ prior, checks: [silent, telling], repairs }, whole)
    expect(all && sumOf(all)).toBeCloseTo(10, 12)
    // Looking at everything costs nothing, so that it is done after any other step too.
    expect(nothing && sumOf(nothing)).toBeCloseTo(11, 12)
    expect(blind && sumOf(blind)).toBeCloseTo(10 + 0.5 * 10, 12)
  })
})
