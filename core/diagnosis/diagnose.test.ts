import bayes, { type Network } from 'bayesjs'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { Chance } from '~core/base/random'
import { sayMetric } from '~core/words'
import { randomCase } from '~test/worlds/random-case'
import { randomVehicleFile } from '~test/worlds/random-vehicle'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { causes } from './causes'
import { checkOf } from './checks'
import { openChecks } from './compile'
import { complaintIds } from './complaints'
import { weighAll } from './decide/least-cost'
import { MENDED } from './decide/model'
import { diagnose } from './diagnose'
import { estimateNow, estimateOf } from './estimate'
import { hypothesesOf, shownBy } from './hypotheses'
import { type Case, readDiagnoseRequest } from './request'
import { sharesOf, weightedOf } from './shares'
import { traitsOf } from './traits'

/** Deep looks change the order of what comes next, not what is asked here. */
const quick = { effort: { exact: { checks: 0, repairs: 0 }, closely: 2, width: 1 } }
const ask = (more: object): Case => {
  const read = readDiagnoseRequest({ format: 'ruddy-siphon.diagnose-request', version: 1, ...more })
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  return read.value
}
const faultsOf = (more: object) => {
  const read = readDiagnoseRequest({ format: 'ruddy-siphon.diagnose-request', version: 1, ...more })
  return read.ok ? [] : read.faults.map(({ path }) => path)
}
const found = (...looks: string[]) =>
  looks.map((look) => {
    const [check, result] = look.split('=')
    return { check, result }
  })
const shareOf = (of: Case, id: string) => sharesOf(of).find((each) => each.id === id)?.share ?? 0

describe('whatever is asked', () => {
  const chance = new Chance(31)
  const cases = Array.from({ length: 300 }, () => randomCase(chance))

  test('shares add up to 1, likeliest first, and nothing is suspected that the vehicle does not have', () => {
    for (const of of cases) {
      const shares = sharesOf(of)
      expect(shares.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9)
      expect([...shares].sort((a, b) => b.share - a.share)).toEqual(shares)
      const traits = traitsOf(of.vehicle)
      for (const { id } of shares)
        expect(causes.find((cause) => cause.id === id)?.possible?.(traits) ?? true, id).toBe(true)
    }
  })

  test('the order of the answers does not matter', () => {
    for (const of of cases) {
      const [there, back] = [of, { ...of, found: [...of.found].reverse() }].map((each) => sharesOf(each))
      for (const { id, share } of there ?? [])
        expect(back?.find((each) => each.id === id)?.share).toBeCloseTo(share, 12)
    }
  })

  test('every look that applies and every repair of what may be is named, cheapest in all first', () => {
    for (const of of cases.slice(0, 60)) {
      const { next, expectedCost, causes: may } = diagnose(of, quick)
      expect(
        next
          .filter(({ kind }) => kind === 'check')
          .map(({ id }) => id)
          .sort(),
      ).toEqual(
        openChecks(of)
          .map(({ id }) => id)
          .sort(),
      )
      expect(
        next
          .filter(({ kind }) => kind === 'repair')
          .map(({ id }) => id)
          .sort(),
      ).toEqual(may.map(({ id }) => id).sort())
      const sums = next.map(({ cost, expectedCostAfter }) => cost + expectedCostAfter)
      expect(expectedCost).toBe(sums[0])
      const behind = sums.slice(next.filter(({ id }) => id === 'level' || id === 'wet-places').length)
      expect([...behind].sort((a, b) => a - b)).toEqual(behind)
      for (const { cost, expectedCostAfter: after } of next)
        expect(Number.isFinite(cost + after) && cost >= 0 && after >= 0).toBe(true)
    }
  })

  test('shares are what a reference library makes of the same tables (bayesjs, by enumeration)', () => {
    for (const each of cases.filter(({ found: looks }) => looks.length > 0).slice(0, 80)) {
      const of = { ...each, tried: [] }
      const all = hypothesesOf(of)
      const sum = all.reduce((total, { prior }) => total + prior, 0)
      const network: Network = {
        wrong: {
          id: 'wrong',
          states: all.map((_, i) => `h${i}`),
          parents: [],
          cpt: Object.fromEntries(all.map(({ prior }, i) => [`h${i}`, prior / sum])),
        },
      }
      const given: Record<string, string> = {}
      for (const { check, result } of of.found) {
        const look = checkOf(check)
        if (!look) continue
        given[check] = result
        network[check] = {
          id: check,
          states: [...look.results],
          parents: ['wrong'],
          cpt: all.map((hypothesis, i) => ({
            when: { wrong: `h${i}` },
            // biome-ignore lint/suspicious/noThenProperty: what the library calls a row of its table
            then: Object.fromEntries(
              look.results.map((each, r) => [each, shownBy(look, hypothesis)[r] ?? 0]),
            ),
          })),
        }
      }
      for (const [i, { mass }] of weightedOf(of).entries())
        expect(mass).toBeCloseTo(bayes.infer(network, { wrong: `h${i}` }, given), 3)
    }
  })
})

describe('what is known before', () => {
  test('opened and not bled: air is several times as likely; fully bled: less; old rubber: its things more', () => {
    const plain = ask({ complaint: 'soft-pedal' })
    const unbled = ask({ complaint: 'soft-pedal', history: { opened: ['x'], bledSince: false } })
    expect(shareOf(unbled, 'air-lines')).toBeGreaterThan(1.5 * shareOf(plain, 'air-lines'))
    const bled = ask({ complaint: 'soft-pedal', history: { fullyBled: true } })
    expect(shareOf(bled, 'air-lines')).toBeLessThan(0.6 * shareOf(plain, 'air-lines'))
    const old = ask({ complaint: 'soft-pedal', history: { ageYears: 20 } })
    expect(shareOf(old, 'cylinder-bypass')).toBeGreaterThan(shareOf(plain, 'cylinder-bypass'))
  })

  test('a complaint has said already what it says: no news, and it is not asked again', () => {
    const sinks = ask({ complaint: 'sinking-pedal' })
    expect(openChecks(sinks).map(({ id }) => id)).not.toContain('hold-firm')
    expect(sharesOf(ask({ complaint: 'sinking-pedal', found: found('hold-firm=sinks') }))).toEqual(
      sharesOf(sinks),
    )
  })
})

describe('what was found', () => {
  test('a certain answer excludes: a level that is low was not filled over MAX', () => {
    expect(shareOf(ask({ complaint: 'drag-all', found: found('level=low') }), 'overfilled')).toBe(0)
  })

  test.each([
    ['bled-again=firm', 'air-lines'],
    ['unit-cycled=better', 'air-unit'],
    ['adjusted=firm', 'shoes-out'],
  ])('%s ends the search, and names what it was', (look, cause) => {
    const {
      named,
      next,
      expectedCost,
      causes: may,
    } = diagnose(ask({ complaint: 'soft-pedal', found: found(look) }), quick)
    expect([named, next, expectedCost]).toEqual([cause, [], 0])
    expect(may[0]?.id).toBe(cause)
  })

  test('two at once are named where both together explain it much better than any one', () => {
    const codes = (...looks: string[]) =>
      diagnose(ask({ complaint: 'soft-pedal', found: found(...looks) }), quick).reasons.map(
        ({ code }) => code,
      )
    const air = ['level=full', 'pump-up=improves', 'three-efforts=curved', 'bubbles=thin-out']
    expect(codes(...air)).not.toContain('two-faults-likely')
    expect(codes(...air, 'hold-firm=sinks', 'ports-plugged=sinks')).toContain('two-faults-likely')
  })

  test('where it is wet says where the leak is, and that is what the planner opens', () => {
    const vehicle = carFile(fourCorners)
    const { causes: may, work } = diagnose(
      ask({
        vehicle,
        complaint: 'soft-pedal',
        found: [{ check: 'wet-places', result: 'wheel', at: 'brake-rr' }],
      }),
      quick,
    )
    expect(may[0]).toMatchObject({ id: 'outside-leak', at: 'brake-rr' })
    expect(work).toEqual({ reason: 'repair', opened: [], replaced: ['brake-rr'] })
  })
})

test('a dearer part is never tried earlier where the chance is the same', () => {
  const chance = new Chance(32)
  for (let i = 0; i < 200; i++) {
    const [cheap, dear] = [10 + 100 * chance.next(), 120 + 1000 * chance.next()]
    const repair = (cost: number, mends: number) => ({
      cost,
      failCost: 15,
      leaves: Int16Array.from([0, 1], (h) => (h === mends ? MENDED : h)),
    })
    const shown = [chance.next(), chance.next()]
    const check = {
      cost: 500,
      results: [shown, shown.map((each) => 1 - each)].map((row) => ({ chance: Float64Array.from(row) })),
    }
    const [, one, other] = weighAll({
      prior: Float64Array.of(1, 1),
      checks: [check],
      repairs: [repair(cheap, 0), repair(dear, 1)],
    })
    expect((one?.cost ?? 0) + (one?.after ?? 0)).toBeLessThan((other?.cost ?? 0) + (other?.after ?? 0))
  }
})

describe('what cannot be is refused by path', () => {
  const vehicle = carFile(fourCorners)
  test.each([
    [{ complaint: 'itches' }, ['complaint']],
    [{ vehicle, complaint: 'no-clutch' }, ['complaint']],
    [{ vehicle, complaint: 'soft-pedal', history: { opened: ['nowhere'] } }, ['history.opened.0']],
    [{ complaint: 'soft-pedal', found: found('level=wet') }, ['found.0.result']],
    [{ complaint: 'soft-pedal', found: found('spell=cast') }, ['found.0.check']],
    [{ complaint: 'soft-pedal', found: found('level=full', 'level=low') }, ['found.1.check']],
    [{ complaint: 'soft-pedal', found: found('wet-places=wheel', 'wet-places=dry') }, ['found.1.check']],
    [{ complaint: 'soft-pedal', found: found('wet-places=wheel', 'wet-places=line') }, []],
    [
      { vehicle, complaint: 'soft-pedal', found: [{ check: 'level', result: 'low', at: 'x' }] },
      ['found.0.at'],
    ],
    [{ complaint: 'soft-pedal', costs: { parts: { gearbox: 3 } } }, ['costs.parts']],
    [{ complaint: 'soft-pedal', costs: { labourPerHour: -1 } }, ['costs.labourPerHour']],
  ])('%j', (more, paths) => {
    expect(faultsOf(more)).toEqual(paths)
  })
})

test('an estimate adds up to what the repair counts for, part by part, and says which prices are the usual ones', () => {
  const of = ask({ complaint: 'drag-all', costs: { labourPerHour: 90, parts: { hose: 20 } } })
  const [whole] = estimateOf(of, 'seals-swollen')?.options ?? []
  const lines = whole?.lines ?? []
  const repair = diagnose(of, quick).next.find(({ id }) => id === 'seals-swollen')
  expect(lines.reduce((sum, { cost }) => sum + cost, 0)).toBeCloseTo(repair?.cost ?? 0, 9)
  expect(whole?.cost).toBeCloseTo(repair?.cost ?? 0, 9)
  expect(lines.filter(({ usual }) => !usual)).toHaveLength(2)
  expect(lines.map((each) => sayMetric(each))).toContain('2 × hose')
})

test('an estimate shows the other ways, and what may follow where it was something else', () => {
  const of = ask({ complaint: 'sinking-pedal', found: [{ check: 'wet-places', result: 'dry' }] })
  const estimate = estimateNow(of, diagnose(of, quick))
  expect(estimate?.cause).toBe('cylinder-bypass')
  expect(estimate?.options.map(({ id }) => id)).toEqual(['as-said', 'rebuild'])
  // A kit for 35 against a cylinder for 150, 35 more minutes of hands at 60 an hour.
  const [whole, rebuilt] = estimate?.options ?? []
  expect((whole?.cost ?? 0) - (rebuilt?.cost ?? 0)).toBeCloseTo(150 - 35 - 35, 9)
  expect(estimate?.otherwise?.chancePct).toBeGreaterThan(0)
})

test('a price of the shop’s own has no range; a usual one has', () => {
  const parts = (costs: object) =>
    estimateOf(ask({ complaint: 'drag-one', costs }), 'hose-closed')?.options[0]?.lines.find(({ line }) =>
      line.endsWith('hose'),
    )
  expect(parts({ parts: { hose: 20 } })).toMatchObject({ low: 20, cost: 20, high: 20 })
  expect(parts({})?.high).toBeGreaterThan(30)
})

test('a check on a set-up that stands already costs its hands less, whichever came first', () => {
  const minutes = (found: object[]) =>
    diagnose(ask({ complaint: 'drag-all', found }), quick).next.find(({ id }) => id === 'crack-port')?.minutes
  expect(minutes([])).toBe(10)
  expect(minutes([{ check: 'crack-bleeder', result: 'frees' }])).toBe(6)
})

describe('a shop’s own cases', () => {
  test('move the shares as they add up, but nothing by which brakes are lost falls below the tables', () => {
    const plain = ask({ complaint: 'soft-pedal' })
    const own = ask({ complaint: 'soft-pedal', own: { 'shoes-out': 30 } })
    expect(shareOf(own, 'shoes-out')).toBeGreaterThan(3 * shareOf(plain, 'shoes-out'))
    const prior = (of: Case, id: string) =>
      hypothesesOf(of).find(({ causes: [one, other] }) => one?.id === id && !other)?.prior ?? 0
    expect(prior(own, 'air-lines')).toBeLessThan(prior(plain, 'air-lines'))
    for (const { id } of causes.filter(({ unsafe, chance }) => unsafe && chance['soft-pedal']))
      expect(prior(own, id)).toBe(prior(plain, id))
  })

  test('without any, and with as many as the tables say, they change nothing', () => {
    const even = ask({ complaint: 'drag-all', own: {} })
    for (const { id, share } of sharesOf(ask({ complaint: 'drag-all' })))
      expect(shareOf(even, id)).toBeCloseTo(share, 12)
  })
})

test('what was mended in vain is no longer it, and of two faults the other is left', () => {
  const before = ask({ complaint: 'drag-one' })
  const after = ask({ complaint: 'drag-one', tried: ['hose-closed'] })
  expect(shareOf(after, 'hose-closed')).toBe(0)
  expect(shareOf(after, 'brake-seized')).toBeGreaterThan(shareOf(before, 'brake-seized'))
  expect(sharesOf(after).reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9)
  // Seized, alone or beside the hose, against what neither has to do with.
  const prior = (...ids: string[]) =>
    hypothesesOf(before).find(({ causes: both }) => both.map(({ id }) => id).join() === ids.join())?.prior ??
    0
  expect(shareOf(after, 'brake-seized') / shareOf(after, 'line-blocked')).toBeCloseTo(
    (prior('brake-seized') + prior('hose-closed', 'brake-seized')) / prior('line-blocked'),
    9,
  )
})

test('any vehicle that can be read, with any complaint it can have, is answered in figures', () => {
  fc.assert(
    fc.property(randomVehicleFile, fc.constantFrom(...complaintIds), (vehicle, complaint) => {
      fc.pre(complaint !== 'no-clutch' || traitsOf(vehicleFrom(vehicle)).clutch)
      const of = ask({ vehicle, complaint })
      const { next, causes: may } = diagnose(of, quick)
      expect(next.every(({ cost, expectedCostAfter }) => Number.isFinite(cost + expectedCostAfter))).toBe(
        true,
      )
      for (const { id } of may)
        expect(
          estimateOf(of, id)?.options.every(({ low, cost, high }) => 0 <= low && low <= cost && cost <= high),
        ).toBe(true)
    }),
    { numRuns: 150 },
  )
})
