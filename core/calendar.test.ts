import fc from 'fast-check'
import { expect, test } from 'vitest'
import { dayNumber, isoDate } from './calendar'

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
