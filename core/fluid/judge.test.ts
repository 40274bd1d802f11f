import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { sayMetric } from '../words'
import { type FluidCase, judgeFluid } from './judge'
import { limitsFor, type Policy, usualPolicy } from './policy/policy'
import { strictness } from './policy/rule'
import type { TakenReading } from './readings'
import type { TesterId } from './testers'

const car = { spec: 'DOT 4', kind: 'car', hardUse: [] } as const
const taken = (tester: TesterId, value: number, at: TakenReading['at'] = 'reservoir') => ({
  tester,
  value,
  at,
})
const judged = (readings: TakenReading[], more: Partial<FluidCase> = {}, policy: Policy = usualPolicy) =>
  judgeFluid(
    { spec: 'DOT 4', kind: 'car', heightM: 0, readings, ...more },
    limitsFor(policy, { ...car, spec: more.spec ?? 'DOT 4', kind: more.kind ?? 'car' }),
  )

describe('the limits of common practice', () => {
  test('3 % water, 24 months, 48 000 km, 200 ppm copper; motorcycles 12 months', () => {
    expect(limitsFor(usualPolicy, car)).toEqual({
      boiling: 0,
      water: 3,
      copper: 200,
      time: 24,
      distance: 48_000,
    })
    expect(limitsFor(usualPolicy, { ...car, kind: 'motorcycle' }).time).toBe(12)
  })

  test.each([
    ['3 % by the meter', [taken('percent-meter', 3)], {}, 'replace', 'water'],
    ['2 % by the meter', [taken('percent-meter', 2)], {}, 'watch', 'water'],
    ['1 % by the meter', [taken('percent-meter', 1)], {}, 'keep', 'boiling'],
    [
      'boiled at the wet minimum of DOT 4, 155 °C (FMVSS 116, recalled)',
      [taken('boiling-sampler', 155)],
      {},
      'replace',
      'boiling',
    ],
    [
      '200 ppm copper beside good water',
      [taken('percent-meter', 0.5), taken('copper-strip', 200)],
      {},
      'replace',
      'copper',
    ],
    ['24 months beside good water', [taken('percent-meter', 0.5)], { monthsSince: 24 }, 'replace', 'time'],
    [
      '48 000 km beside good water',
      [taken('percent-meter', 0.5)],
      { kmSince: 48_000 },
      'replace',
      'distance',
    ],
    ['4 MΩ', [taken('ohmmeter', 4)], {}, 'replace', 'tester'],
    ['500 MΩ and a young fill', [taken('ohmmeter', 500)], { monthsSince: 3 }, 'retest', 'nothing'],
    [
      'a look at amber fluid and a young fill',
      [taken('looked-at', 1)],
      { monthsSince: 3 },
      'retest',
      'nothing',
    ],
    ['no copper, nothing else', [taken('copper-strip', 0)], {}, 'retest', 'nothing'],
    ['nothing', [], {}, 'retest', 'nothing'],
    ['silicone by time alone', [], { spec: 'DOT 5', monthsSince: 6 }, 'keep', 'time'],
  ] as const)('%s', (_what, readings, more, verdict, decidedBy) => {
    expect(judged([...readings], more)).toMatchObject({ verdict, decidedBy })
  })
})

test('the margin is what its boiling point has left above the limit: 180 °C boiled is 25 above the 155 of DOT 4', () => {
  expect(judged([taken('boiling-sampler', 180)]).marginC).toBeCloseTo(25, 9)
})

test('a product’s own data sheet judges otherwise than the minima: 2.9 % in one with a wet point of 185 °C', () => {
  const own = judged([taken('percent-meter', 2.9)], { product: { dryC: 270, wetC: 185 } })
  expect(
    (own.boilingC?.likely ?? 0) > (judged([taken('percent-meter', 2.9)]).boilingC?.likely ?? 0) + 20,
  ).toBe(true)
})

test('what other schools would say stands beside it', () => {
  const { others } = judged([taken('percent-meter', 2.2)], { monthsSince: 14 })
  expect(others.map(({ words, verdict }) => [sayMetric(words), verdict])).toEqual([
    ['2 % water', 'replace'],
    ['every 12 months', 'replace'],
  ])
})

test('hard use asks for more: on a track 2.2 % is past the limit', () => {
  const hard = limitsFor(usualPolicy, { ...car, hardUse: ['track', 'towing'] })
  expect(hard).toMatchObject({ water: 2, boiling: 25, time: 12 })
  const of: FluidCase = { ...car, heightM: 0, readings: [taken('percent-meter', 2.2)] }
  expect(judgeFluid(of, hard).verdict).toBe('replace')
})

test('a row for a fluid in a kind of vehicle beats one for the kind, which beats the rest; a rule may be off', () => {
  const policy: Policy = {
    all: { water: 3, time: 24 },
    others: [
      { kind: 'van', spec: 'DOT 4', limits: { water: 2 } },
      { kind: 'van', limits: { water: 2.5, time: 'off' } },
    ],
  }
  expect(limitsFor(policy, { ...car, kind: 'van' })).toEqual({ water: 2 })
  expect(limitsFor(policy, { ...car, kind: 'van', spec: 'DOT 3' })).toEqual({ water: 2.5 })
})

describe('two readings', () => {
  test('of one place that agree are as sure as the surer of them, never surer: additives put both off alike', () => {
    const { waterPct } = judged([taken('banded-pen', 2), taken('percent-meter', 1.8)])
    expect((waterPct?.high ?? 0) - (waterPct?.low ?? 0)).toBeCloseTo(1, 9)
    const two = judged([taken('percent-meter', 2), taken('percent-meter', 2.9)]).waterPct
    expect(two?.low).toBeCloseTo(1.95, 9)
    expect(two?.high).toBeCloseTo(2.95, 9)
  })

  test('a boiled sample counts beside any meter of its place, whichever came first and whichever is milder', () => {
    for (const meter of [taken('percent-meter', 0.3), taken('banded-pen', 4), taken('degree-meter', 225)])
      for (const [boilsC, verdict] of [
        [150, 'replace'],
        [215, 'keep'],
      ] as const)
        for (const readings of [
          [meter, taken('boiling-sampler', boilsC)],
          [taken('boiling-sampler', boilsC), meter],
        ])
          expect(judged(readings).verdict).toBe(verdict)
  })

  test('an ohmmeter that condemns condemns: beside a boiled sample that is dry, and beside two that contradict', () => {
    expect(judged([taken('ohmmeter', 2), taken('boiling-sampler', 225)])).toMatchObject({
      verdict: 'replace',
      decidedBy: 'tester',
    })
    expect(judged([taken('banded-pen', 4), taken('percent-meter', 0.5), taken('ohmmeter', 2)])).toMatchObject(
      { verdict: 'replace', decidedBy: 'tester' },
    )
  })

  test('that cannot both be true ask for a surer tester', () => {
    expect(judged([taken('banded-pen', 4), taken('percent-meter', 0.5)])).toMatchObject({
      verdict: 'retest',
      decidedBy: 'contradiction',
      askFor: ['boiling-sampler'],
    })
  })

  test('of two places are no contradiction: the one that boils first decides, and a wetter reservoir is said', () => {
    const places = judged([taken('percent-meter', 0.5), taken('percent-meter', 3.4, 'caliper')])
    expect(places).toMatchObject({ verdict: 'replace', decidedBy: 'water' })
    const wrong = judged([taken('percent-meter', 3.4), taken('percent-meter', 0.5, 'caliper')])
    expect(wrong.verdict).toBe('replace')
    expect(wrong.cannot.map(({ code }) => code)).toContain('reservoir-wetter')
  })

  test('a surer second reading never leaves a wider band, unless the two contradict', () => {
    const pct = fc.double({ min: 0, max: 6, noNaN: true })
    fc.assert(
      fc.property(pct, fc.double({ min: 100, max: 260, noNaN: true }), (waterPct, boilsC) => {
        const one = judged([taken('percent-meter', waterPct)])
        const both = judged([taken('percent-meter', waterPct), taken('boiling-sampler', boilsC)])
        if (both.decidedBy === 'contradiction' || !both.boilingC || !one.boilingC || !both.waterPct) return
        if (both.because.code === 'by-either') return
        expect(both.boilingC.high - both.boilingC.low).toBeLessThanOrEqual(
          one.boilingC.high - one.boilingC.low + 1e-9,
        )
      }),
    )
  })
})

test('more water is never milder, whatever the tester and the limits', () => {
  const pct = fc.double({ min: 0, max: 20, noNaN: true })
  const limit = fc.double({ min: 0.5, max: 7, noNaN: true })
  fc.assert(
    fc.property(pct, pct, limit, fc.integer({ min: 0, max: 40 }), (a, b, water, boiling) => {
      const rank = (waterPct: number) => {
        const { verdict } = judged(
          [taken('percent-meter', waterPct)],
          {},
          { all: { water, boiling }, others: [] },
        )
        return verdict === 'retest' ? 0 : strictness[verdict]
      }
      expect(rank(Math.min(a, b))).toBeLessThanOrEqual(rank(Math.max(a, b)))
    }),
  )
})

test('a look, an ohmmeter or a copper strip never keeps glycol fluid, whatever the rest', () => {
  const reading = fc.oneof(
    fc.record({ tester: fc.constant('looked-at' as const), value: fc.integer({ min: 0, max: 8 }) }),
    fc.record({ tester: fc.constant('ohmmeter' as const), value: fc.integer({ min: 0, max: 1000 }) }),
    fc.record({ tester: fc.constant('copper-strip' as const), value: fc.integer({ min: 0, max: 400 }) }),
  )
  fc.assert(
    fc.property(
      fc.array(reading, { maxLength: 4 }),
      fc.integer({ min: 0, max: 40 }),
      (readings, monthsSince) => {
        const { verdict } = judged(
          readings.map((each) => ({ ...each, at: 'reservoir' as const })),
          { monthsSince },
        )
        expect(verdict).not.toBe('keep')
      },
    ),
  )
})
