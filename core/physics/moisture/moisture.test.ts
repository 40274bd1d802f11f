import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  boilingPoint,
  boilingWithActivityC,
  fittedActivity,
  waterFromBoiling,
  waterRange,
} from './boiling-point'
import { moistureForecast } from './forecast'
import { waterVapourKPa } from './water-vapour'

describe('water vapour pressure', () => {
  test.each([
    [100, 101.42],
    [140, 361.5],
    [150, 476.2],
    [180, 1002.8],
    [200, 1554.9],
  ])('at %i °C is %f kPa (IAPWS SR1-86, Wagner & Pruss 1993, recalled)', (tempC, kPa) => {
    expect(Math.abs(waterVapourKPa(tempC) / kPa - 1)).toBeLessThan(3e-4)
  })
})

describe('boiling point', () => {
  test('with nothing fitted, DOT 3 at 3.7 % water comes within 3 °C of the 140 °C of FMVSS 116 (recalled)', () => {
    expect(Math.abs(boilingWithActivityC(205, 3.7, 1) - 140)).toBeLessThan(3)
  })

  test('a solvent of 120 or 220 g/mol moves that to about 145 or 132 °C', () => {
    expect(boilingWithActivityC(205, 3.7, 1, 120)).toBeCloseTo(145, -0.5)
    expect(boilingWithActivityC(205, 3.7, 1, 220)).toBeCloseTo(132, -0.5)
  })

  test('borate binds water: the fitted activity is about 0.64 for DOT 4 and 0.35 for DOT 5.1 (from the recalled minima)', () => {
    expect(fittedActivity({ dryC: 230, wetC: 155 })).toBeCloseTo(0.64, 2)
    expect(fittedActivity({ dryC: 260, wetC: 180 })).toBeCloseTo(0.35, 1.9)
  })

  test('the fit passes through its anchors: dry at 0 %, wet at 3.7 %', () => {
    expect(boilingPoint({ dryC: 230, wetC: 155, waterPct: 0 }).boilingC).toBeCloseTo(230, 6)
    expect(boilingPoint({ dryC: 230, wetC: 155, waterPct: 3.7 }).boilingC).toBeCloseTo(155, 6)
  })

  test('the first per cent costs more than the straight line says', () => {
    const straightC = 230 - 75 / 3.7
    expect(boilingPoint({ dryC: 230, wetC: 155, waterPct: 1 }).boilingC).toBeLessThan(straightC - 5)
  })

  const pair = fc
    .tuple(fc.double({ min: 180, max: 300, noNaN: true }), fc.double({ min: 30, max: 100, noNaN: true }))
    .map(([dryC, fallsC]) => ({ dryC, wetC: dryC - fallsC }))

  test('more water never boils higher, and the inverse inverts', () => {
    fc.assert(
      fc.property(
        pair,
        fc.double({ min: 0, max: 8, noNaN: true }),
        fc.double({ min: 0.01, max: 4, noNaN: true }),
        (fluid, waterPct, more) => {
          const boils = boilingPoint({ ...fluid, waterPct })
          expect(boils.bandC).toBeGreaterThanOrEqual(3)
          expect(boilingPoint({ ...fluid, waterPct: waterPct + more }).boilingC).toBeLessThan(boils.boilingC)
          expect(waterFromBoiling({ ...fluid, boilingC: boils.boilingC }).waterPct).toBeCloseTo(waterPct, 6)
        },
      ),
    )
  })

  test('the band holds what 3 or 5 % at the wet point would give, and beyond 6 % it reaches for free water', () => {
    const dot4 = { dryC: 230, wetC: 155 }
    for (const waterPct of [0.5, 2, 3.7, 6]) {
      const { boilingC, bandC } = boilingPoint({ ...dot4, waterPct })
      for (const wetWaterPct of [3, 5]) {
        const other = boilingWithActivityC(230, waterPct, fittedActivity(dot4, 164.2, wetWaterPct))
        expect(Math.abs(other - boilingC)).toBeLessThanOrEqual(bandC + 1e-9)
      }
      expect(bandC).toBeLessThan(10)
    }
    const at12 = boilingPoint({ ...dot4, waterPct: 12 })
    expect(at12.boilingC - at12.bandC).toBeLessThanOrEqual(boilingWithActivityC(230, 12, 1))
  })

  test('water behind 130 °C in DOT 4 is a wide range, and mostly water boils at last as water does', () => {
    const dot4 = { dryC: 230, wetC: 155 }
    expect(waterRange({ ...dot4, boilingC: 180 })).not.toHaveProperty('beyondModel')
    const low = waterRange({ ...dot4, boilingC: 130 })
    expect(low.beyondModel).toBe(true)
    // Unbound water alone would be 5.7 %, bound as at the wet point 12.6 %.
    expect(low.lowPct).toBeLessThan(6)
    expect(low.highPct).toBeGreaterThan(12)
    expect(waterFromBoiling({ ...dot4, boilingC: 105 }).waterPct).toBeGreaterThan(20)
    expect(boilingPoint({ ...dot4, waterPct: 100 }).boilingC).toBeCloseTo(99.97, 2)
    expect(() => waterFromBoiling({ ...dot4, boilingC: 99 })).toThrow(
      expect.objectContaining({ path: 'boilingC' }),
    )
  })

  test('where the water is inside, the range holds it and narrows as it dries', () => {
    fc.assert(
      fc.property(pair, fc.double({ min: 0.05, max: 6, noNaN: true }), (fluid, waterPct) => {
        const { boilingC } = boilingPoint({ ...fluid, waterPct })
        const { lowPct, highPct } = waterRange({ ...fluid, boilingC })
        expect(lowPct).toBeLessThanOrEqual(waterPct + 1e-6)
        expect(highPct).toBeGreaterThanOrEqual(waterPct - 1e-6)
      }),
    )
  })

  test.each([
    [{ dryC: 205, wetC: 210, waterPct: 1 }, 'wetC'],
    [{ dryC: 205, wetC: 140, waterPct: 101 }, 'waterPct'],
    [{ dryC: 90, wetC: 80, waterPct: 1 }, 'dryC'],
  ])('%o is refused at %s', (input, path) => {
    expect(() => boilingPoint(input)).toThrow(expect.objectContaining({ path }))
  })
})

describe('a fall beyond what two readings can be off is an exchange that nobody wrote down', () => {
  const rising = [1.6, 2.3, 2.9].map((waterPct, i) => ({ date: `202${i}-03-01`, waterPct }))
  const with0 = (...more: [string, number][]) => [
    ...rising,
    ...more.map(([date, waterPct]) => ({ date, waterPct })),
  ]
  const on = (readings: { date: string; waterPct: number }[]) =>
    moistureForecast({ readings, limitPct: 3, today: '2024-06-01' })

  test('and it counts from there', () => {
    const fresh = on(with0(['2023-03-01', 0.3]))
    expect(fresh.fellOn).toBe('2023-03-01')
    expect(fresh).toEqual({ ...on([{ date: '2023-03-01', waterPct: 0.3 }]), fellOn: '2023-03-01' })
    expect(fresh.dueLikely > '2024-09-01').toBe(true)
  })
  test('a little lower is the meter’s error, and one low reading between high ones is a bad reading', () => {
    expect(on(with0(['2023-03-01', 2.1])).fellOn).toBeUndefined()
    const outlier = on(with0(['2023-03-01', 0.3], ['2024-03-01', 2.8]))
    expect(outlier.fellOn).toBeUndefined()
    expect(outlier.dueEarliest < '2024-12-01').toBe(true)
  })
  test('a tester that is surer tells a smaller fall', () => {
    const surer = with0(['2023-03-01', 1.7]).map((each) => ({ ...each, errorPct: 0.2 }))
    expect(on(surer).fellOn).toBe('2023-03-01')
    expect(on(with0(['2023-03-01', 1.7])).fellOn).toBeUndefined()
  })
})

test('three readings alike do not mean no rise: 3 % comes within nine years of 1 %, never in thirty (from memory: 0.4 % a year)', () => {
  const flat = ['2024-11-01', '2025-11-01', '2026-11-01'].map((date) => ({ date, waterPct: 1 }))
  const { dueLikely, dueLatest, basis } = moistureForecast({
    readings: flat,
    limitPct: 3,
    today: '2026-11-27',
  })
  expect(basis).toBe('fitted')
  expect(dueLatest < '2036-01-01').toBe(true)
  expect(dueLikely <= dueLatest).toBe(true)
})
