import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type FluidCase, judgeFluid } from './judge'
import { measuredLimits } from './policy/policy'
import { takenReading } from './readings'

const judged = (reading: Parameters<typeof takenReading>[0], more: Partial<FluidCase> = {}) =>
  judgeFluid(
    { spec: 'DOT 4', kind: 'car', readings: [takenReading(reading)], heightM: 0, ...more },
    measuredLimits(),
  )

describe('verdict of one reading', () => {
  const water = (value: number) => judged({ kind: 'water-pct', value, at: 'reservoir' }).verdict

  test('replace at 3 %, watch from 2 % (common practice)', () => {
    expect([0, 1.9, 2, 2.9, 3, 5].map(water)).toEqual([
      'keep',
      'keep',
      'watch',
      'watch',
      'replace',
      'replace',
    ])
  })

  test('a boiling reading at the wet minimum condemns, one above the dry minimum is simply dry', () => {
    expect(judged({ kind: 'boiling-c', value: 155, at: 'caliper' }).verdict).toBe('replace')
    expect(judged({ kind: 'boiling-c', value: 262, at: 'caliper' }).verdict).toBe('keep')
  })

  test('what boiled at a height is judged as it would boil at the sea: 153 °C at 1000 m is above the 155 °C of DOT 4', () => {
    const boiled = (heightM: number) => judged({ kind: 'boiling-c', value: 153, at: 'caliper' }, { heightM })
    expect(boiled(0).verdict).toBe('replace')
    expect(boiled(1000).boilingC?.likely).toBeCloseTo(157.4, 0)
    expect(boiled(1000).decidedBy).toBe('water')
  })

  test('an ohmmeter can condemn, never pass', () => {
    expect(judged({ kind: 'megohm', value: 2, at: 'reservoir' }).verdict).toBe('replace')
    expect(judged({ kind: 'megohm', value: 500, at: 'reservoir' }).verdict).toBe('retest')
  })

  test('water says nothing of silicone', () => {
    expect(judged({ kind: 'water-pct', value: 4, at: 'reservoir' }, { spec: 'DOT 5' })).toMatchObject({
      verdict: 'retest',
      decidedBy: 'nothing',
    })
  })

  test('more water is never milder', () => {
    const rank = { keep: 0, watch: 1, replace: 2, retest: 3 }
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (a, b) => {
          expect(rank[water(Math.min(a, b))]).toBeLessThanOrEqual(rank[water(Math.max(a, b))])
        },
      ),
    )
  })
})
