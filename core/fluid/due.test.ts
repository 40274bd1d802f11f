import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { dayNumber, isoDate, monthsBetween } from '../base/day'
import { calculators } from '../calculators/command'
import { dueOf } from './due'
import { judgeFluid } from './judge'
import type { FluidHistory } from './policy/rule'

const dot4 = { dryC: 230, wetC: 155 }
const history: FluidHistory = {
  today: '2026-06-01',
  pair: dot4,
  exchangedOn: '2025-01-15',
  exchangedKm: 40_000,
  readings: [],
  odometer: [
    { date: '2025-01-15', km: 40_000 },
    { date: '2026-01-15', km: 58_250 },
  ],
}

test('by time: 24 months after the last exchange, and the last day of a shorter month', () => {
  expect(dueOf(history, { time: 24 })).toMatchObject({ likely: '2027-01-15', rule: 'time', basis: 'given' })
  expect(dueOf({ ...history, exchangedOn: '2024-02-29' }, { time: 12 })?.likely).toBe('2025-02-28')
})

test('rule and list turn on the same day: watched the day before, replaced on the day', () => {
  const judged = (today: string) =>
    judgeFluid(
      {
        spec: 'DOT 4',
        kind: 'car',
        readings: [{ tester: 'percent-meter', value: 0.5, at: 'reservoir' }],
        heightM: 0,
        monthsSince: monthsBetween('2025-03-31', today),
      },
      { time: 18 },
    ).verdict
  const { likely = '' } = dueOf({ ...history, exchangedOn: '2025-03-31' }, { time: 18 }) ?? {}
  expect([likely, judged('2026-09-29'), judged(likely)]).toEqual(['2026-09-30', 'watch', 'replace'])
})

test('by distance: 18 250 km a year reach 48 000 km after 960 days', () => {
  const due = dueOf(history, { distance: 48_000 })
  expect(dayNumber(due?.likely ?? '') - dayNumber('2025-01-15')).toBe(960)
})

test('whichever comes first decides, and the range never ends before the likely day', () => {
  const due = dueOf(history, { time: 36, distance: 48_000, water: 5 })
  expect(due?.rule).toBe('distance')
  expect(due?.each.map(({ rule }) => rule).sort()).toEqual(['distance', 'time', 'water'])
  expect(due && due.earliest <= due.likely && due.likely <= due.latest).toBe(true)
})

test('a boiling point limit is the day its water is reached: at the wet minimum of DOT 4 that is 3.7 %', () => {
  expect(dueOf(history, { boiling: 0 })?.likely).toBe(dueOf(history, { water: 3.7 })?.likely)
})

test('a last reading past the limit is due on its day though the fit passes it over; a newer good one overrules it', () => {
  const reading = (date: string, waterPct: number) => ({ date, waterPct })
  const good = [reading('2025-04-01', 0.5), reading('2025-08-01', 0.9), reading('2025-12-01', 1.3)]
  const bad = [...good, reading('2026-04-01', 5)]
  expect(dueOf({ ...history, readings: bad }, { water: 3 })).toMatchObject({ likely: '2026-04-01' })
  const again = dueOf({ ...history, readings: [...bad, reading('2026-05-01', 1.7)] }, { water: 3 })
  expect((again?.likely ?? '') > '2027-01-01').toBe(true)
})

test('command and policy have one answer, whatever the readings, their errors and the exchange (1 000 at random)', () => {
  const calc = calculators.find(({ name }) => name === 'moisture-forecast')
  const day = (n: number) => isoDate(dayNumber('2022-01-01') + n)
  const reading = fc.record({
    date: fc.integer({ min: -400, max: 1400 }).map(day),
    waterPct: fc.double({ min: 0, max: 7, noNaN: true }),
    errorPct: fc.option(fc.double({ min: 0.1, max: 1, noNaN: true }), { nil: undefined }),
  })
  fc.assert(
    fc.property(
      fc.array(reading, { maxLength: 6 }),
      fc.double({ min: 1, max: 7, noNaN: true }),
      fc.boolean(),
      (all, limitPct, known) => {
        const exchangedOn = known || all.length === 0 ? '2022-01-01' : undefined
        const readings = all
          .filter(({ date }) => exchangedOn === undefined || date > exchangedOn)
          .sort((a, b) => (a.date < b.date ? -1 : 1))
        const today = '2026-02-01'
        const asked = calc?.run({ readings: all, limitPct, today, freshOn: exchangedOn })
        if (!asked?.ok) throw new Error(JSON.stringify(asked))
        const { dueEarliest, dueLikely, dueLatest, fellOn } = asked.value as Record<string, string>
        const due = dueOf({ today, pair: dot4, readings, exchangedOn, odometer: [] }, { water: limitPct })
        const notBefore = (date = '') => (date < today ? today : date)
        expect([
          notBefore(due?.earliest),
          notBefore(due?.likely),
          notBefore(due?.latest),
          due?.fellOn,
        ]).toEqual([dueEarliest, dueLikely, dueLatest, fellOn])
      },
    ),
    { numRuns: 1000 },
  )
})

test('nothing is foretold of a vehicle that nothing is known of, and copper never', () => {
  const empty = { ...history, exchangedOn: undefined, exchangedKm: undefined, odometer: [] }
  expect(dueOf(empty, { time: 24, distance: 48_000, water: 3, copper: 200 })).toBeUndefined()
})

test('one bad reading among seven, wherever it stands and however bad, moves the day by less than half a year', () => {
  const good = Array.from({ length: 7 }, (_, i) => ({
    date: `20${10 + i}-03-01`,
    waterPct: 8 * (1 - Math.exp(-0.1 * (i + 0.5))),
  }))
  const on = (readings: FluidHistory['readings']) =>
    dayNumber(
      dueOf({ today: '2016-04-01', pair: dot4, readings, odometer: [] }, { water: 4.5 })?.likely ?? '',
    )
  fc.assert(
    fc.property(fc.nat(5), fc.double({ min: 0, max: 6, noNaN: true }), (at, waterPct) => {
      const bad = good.map((each, i) => (i === at ? { ...each, waterPct } : each))
      expect(Math.abs(on(bad) - on(good))).toBeLessThan(183)
    }),
  )
})

describe('forecast against lower readings', () => {
  const rising = fc
    .array(fc.double({ min: 0.05, max: 1.2, noNaN: true }), { minLength: 1, maxLength: 6 })
    .map((steps) =>
      steps.map((_, i) => ({
        date: `20${10 + i}-03-01`,
        waterPct: Math.min(
          7,
          steps.slice(0, i + 1).reduce((sum, step) => sum + step, 0.2),
        ),
      })),
    )
  const likely = (readings: FluidHistory['readings']) =>
    dayNumber(
      dueOf({ today: '2010-04-01', pair: dot4, readings, odometer: [] }, { water: 6.5 })?.likely ?? '',
    )
  const inPast = (readings: FluidHistory['readings']) => {
    // A forecast is made after its readings.
    const today = readings.at(-1)?.date ?? '2010-04-01'
    return dayNumber(dueOf({ today, pair: dot4, readings, odometer: [] }, { water: 6.5 })?.likely ?? '')
  }

  test('is later, or the same day, when all of them are lower by a share or the last one is lower', () => {
    expect(likely([{ date: '2010-03-01', waterPct: 1 }])).toBeGreaterThan(0)
    fc.assert(
      fc.property(rising, fc.double({ min: 0.2, max: 1, noNaN: true }), (readings, share) => {
        const lower = readings.map((each) => ({ ...each, waterPct: each.waterPct * share }))
        expect(inPast(lower)).toBeGreaterThanOrEqual(inPast(readings))
        const before = readings.at(-2)?.waterPct ?? 0
        const lastLower = readings.map((each, i) =>
          i === readings.length - 1 ? { ...each, waterPct: before + (each.waterPct - before) * share } : each,
        )
        expect(inPast(lastLower)).toBeGreaterThanOrEqual(inPast(readings))
      }),
    )
  })
})
