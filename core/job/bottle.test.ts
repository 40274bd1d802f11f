import fc from 'fast-check'
import { expect, test } from 'vitest'
import { bottleMarks } from './bottle'

test('a bottle at 83 mL and pulls of about 10 mL: marks every 5 mL from where it stands, 95 expected', () => {
  const { all, usual } = bottleMarks(83, 10)
  expect(all.map(({ markMl }) => markMl)).toEqual([83, 85, 90, 95, 100, 105])
  expect(usual).toEqual({ markMl: 95, addsMl: 12 })
})

test('an empty bottle begins at nothing, which is an answer too', () => {
  expect(bottleMarks(0, 15).all.map(({ addsMl }) => addsMl)).toEqual([0, 5, 10, 15, 20, 25])
})

test('several pulls since the last look: nothing more, then marks around what they should have brought, 10 mL apart', () => {
  const { all, usual } = bottleMarks(40, 54, 'mL', 18)
  expect(all.map(({ markMl }) => markMl)).toEqual([40, 70, 80, 90, 100, 110])
  expect(usual).toEqual({ markMl: 90, addsMl: 50 })
})

test('marks rise, never below where the fluid stands, and add up', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 5000 }),
      fc.double({ min: 0.1, max: 200, noNaN: true }),
      fc.integer({ min: 1, max: 6 }),
      (at, usualMl, pulls) => {
        const { all, usual } = bottleMarks(
          at,
          usualMl * pulls,
          'mL',
          Math.max(usualMl, (usualMl * pulls) / 3),
        )
        expect(all).toContainEqual(usual)
        for (const [i, { markMl, addsMl }] of all.entries()) {
          expect(addsMl).toBeGreaterThanOrEqual(0)
          expect(at + addsMl).toBeCloseTo(markMl, 6)
          if (i > 0) expect(markMl).toBeGreaterThan(all[i - 1]?.markMl ?? -1)
        }
      },
    ),
  )
})

test('a bottle marked in ounces offers its own marks: tenths for a lever, halves for a pedal', () => {
  const ounces = (usualMl: number) =>
    bottleMarks(0, usualMl, 'fl oz').all.map(({ markMl }) => Number((markMl / 29.5735).toFixed(3)))
  expect(ounces(5)).toEqual([0, 0.1, 0.2, 0.3, 0.4, 0.5])
  expect(ounces(30)).toEqual([0, 0.5, 1, 1.5, 2, 2.5])
})
