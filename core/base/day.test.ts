import fc from 'fast-check'
import { expect, test } from 'vitest'
import { dayNumber, isoDate, monthsAfter, monthsBetween, secondsBetween } from './day'

test('days are counted as the platform’s own calendar counts them, from 1600 to 2600 (JavaScript Date, library)', () => {
  fc.assert(
    fc.property(fc.integer({ min: -135_140, max: 230_000 }), (days) => {
      const platform = new Date(days * 864e5).toISOString().slice(0, 10)
      expect(isoDate(days)).toBe(platform)
      expect(dayNumber(platform)).toBe(days)
    }),
    { numRuns: 3000 },
  )
})

test('seconds between two moments are the platform’s own, across days and years (JavaScript Date, library)', () => {
  const moment = fc.date({ min: new Date('1990-01-01'), max: new Date('2090-01-01'), noInvalidDate: true })
  fc.assert(
    fc.property(moment, moment, (from, to) => {
      const between = secondsBetween(from.toISOString(), to.toISOString())
      expect(between).toBeCloseTo((to.getTime() - from.getTime()) / 1000, 3)
    }),
  )
})

test('a limit in months is reached on the very day it is listed for, whatever the months are long', () => {
  const day = fc.integer({ min: 10_000, max: 30_000 }).map(isoDate)
  fc.assert(
    fc.property(day, fc.integer({ min: 1, max: 120 }), (from, months) => {
      const due = monthsAfter(from, months)
      expect(monthsBetween(from, due)).toBeGreaterThanOrEqual(months)
      expect(monthsBetween(from, isoDate(dayNumber(due) - 1))).toBeLessThan(months)
    }),
  )
  expect(monthsBetween('2024-01-31', '2024-02-29')).toBe(1)
})
