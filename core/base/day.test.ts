import fc from 'fast-check'
import { expect, test } from 'vitest'
import { dayNumber, isoDate, secondsBetween } from './day'

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
