import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { boilingPoint } from '../../physics/moisture/boiling-point'
import { airPressureKPa } from '../../physics/moisture/height'
import { colours } from '../specs/colour'
import { bandedPen } from './banded-pen'
import { surerThan, type TesterId, testerIds, testerOf } from './index'
import { lookedAt } from './looked-at'
import { ohmmeter } from './ohmmeter'

const dot4 = { dryC: 230, wetC: 155 }
const sample = { pair: dot4, heightM: 0 }
const width = (band?: { low: number; high: number }) =>
  band ? band.high - band.low : Number.POSITIVE_INFINITY

/** What each instrument that knows of water shows for fluid that truly holds this much. */
const shows: Partial<Record<TesterId, (waterPct: number) => number>> = {
  'banded-pen': (waterPct) =>
    [0, 0.5, 2, 3, 4][[0.25, 1.25, 2.5, 3.5].filter((end) => waterPct > end).length] ?? 4,
  'degree-meter': (waterPct) => boilingPoint({ ...dot4, waterPct }).boilingC,
  'percent-meter': (waterPct) => waterPct,
  'boiling-sampler': (waterPct) => boilingPoint({ ...dot4, waterPct }).boilingC,
}
const measuring = Object.keys(shows) as TesterId[]
const water = fc.double({ min: 0, max: 6, noNaN: true })
const told = (id: TesterId, waterPct: number) => testerOf(id).tell(shows[id]?.(waterPct) ?? 0, sample)

test('the lamps of a pen mean 0, below 1, 2, 3, and 4 % or more (common practice)', () => {
  const { asks } = bandedPen
  expect(asks.of === 'choice' && asks.options.map(({ label }) => label)).toEqual([
    '0 %',
    'below 1 %',
    '2 %',
    '3 %',
    '4 % or more',
  ])
})

test('every band holds the truth behind what the instrument shows', () => {
  fc.assert(
    fc.property(fc.constantFrom(...measuring), water, (id, waterPct) => {
      const { waterPct: band, boilingC } = told(id, waterPct)
      expect(band && band.low - 1e-6 <= waterPct && waterPct <= band.high + 1e-6).toBe(true)
      const trulyC = boilingPoint({ ...dot4, waterPct }).boilingC
      expect(boilingC && boilingC.low - 1e-6 <= trulyC && trulyC <= boilingC.high + 1e-6).toBe(true)
    }),
    { numRuns: 1000 },
  )
})

test('a surer tester never leaves a wider band of boiling points for the same fluid', () => {
  fc.assert(
    fc.property(fc.constantFrom(...measuring), fc.constantFrom(...measuring), water, (a, b, waterPct) => {
      if (testerOf(a).sureness <= testerOf(b).sureness) return
      expect(width(told(a, waterPct).boilingC)).toBeLessThanOrEqual(width(told(b, waterPct).boilingC) + 1e-9)
    }),
  )
})

describe('what a tester cannot do', () => {
  test('an ohmmeter condemns below 5 MΩ and proves nothing above (common practice)', () => {
    expect(ohmmeter.tell(4.9, sample).condemns).toMatchObject({ params: { megohm: 4.9 } })
    expect(ohmmeter.tell(5, sample)).toMatchObject({ cannot: [{ code: 'resistance-proves-nothing' }] })
    expect(ohmmeter.tell(5, sample).condemns).toBeUndefined()
  })

  test('a look measures nothing; black or gritty fluid it may condemn', () => {
    const condemned = colours.filter((_, i) => lookedAt.tell(i, sample).condemns)
    expect(condemned).toEqual(['black', 'gritty'])
    expect(lookedAt.tell(0, sample).waterPct).toBeUndefined()
  })

  test('nothing that conducts tells anything of silicone', () => {
    for (const id of ['banded-pen', 'percent-meter', 'degree-meter'] as const)
      expect(testerOf(id).tell(id === 'degree-meter' ? 200 : 2, { heightM: 0 })).toMatchObject({
        cannot: [{ code: 'moisture-does-not-apply' }],
      })
  })

  test.each(testerIds)('%s refuses what nothing can show, or says nothing finite is wrong', (id) => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 500, noNaN: true }), (value) => {
        try {
          const { waterPct, boilingC, copperPpm } = testerOf(id).tell(value, sample)
          for (const band of [waterPct, boilingC, copperPpm])
            if (band) expect(band.low <= band.likely && band.likely <= band.high).toBe(true)
        } catch (error) {
          expect(error).toMatchObject({ path: expect.stringMatching(/value/) })
        }
      }),
    )
  })
})

test('a sample that boils at 1000 m boils 4 to 6 °C higher at the sea: what the same water boils at there (Raoult)', () => {
  const there = boilingPoint({ ...dot4, waterPct: 1.4, pressureKPa: airPressureKPa(1000) }).boilingC
  const { boilingC } = testerOf('boiling-sampler').tell(there, { pair: dot4, heightM: 1000 })
  expect(boilingC?.likely).toBeCloseTo(boilingPoint({ ...dot4, waterPct: 1.4 }).boilingC, 6)
  expect((boilingC?.likely ?? 0) - there).toBeGreaterThan(4)
  expect((boilingC?.likely ?? 0) - there).toBeLessThan(6)
})

test('a fluid that takes up no water is put right by the standard’s round 0.04 °C per mmHg (FMVSS 116 S6.1, recalled)', () => {
  const { boilingC } = testerOf('boiling-sampler').tell(200, { heightM: 1000 })
  expect(boilingC?.likely).toBeCloseTo(203.4, 1)
})

test('surer than a pen are a percentage meter and a boiled sample, the surest first', () => {
  expect(surerThan(['banded-pen'])).toEqual(['boiling-sampler', 'percent-meter'])
  expect(surerThan(['boiling-sampler'])).toEqual([])
})
