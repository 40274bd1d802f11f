import fc from 'fast-check'
import { expect, test } from 'vitest'
import { crossing } from './solve'

test('finds where a rising or falling power crosses, to a part in a million million (closed form)', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 6, noNaN: true }),
      fc.double({ min: 0.01, max: 99, noNaN: true }),
      fc.boolean(),
      (power, where, falls) => {
        const f = (x: number) => (falls ? -1 : 1) * x ** power
        expect(Math.abs(crossing(f, f(where), 0, 100) / where - 1)).toBeLessThan(1e-12)
      },
    ),
  )
})

test('takes a small part of the looks that halving needs', () => {
  let looks = 0
  const f = (x: number) => {
    looks += 1
    return Math.exp(x)
  }
  expect(crossing(f, 3, 0, 10)).toBeCloseTo(Math.log(3), 14)
  expect(looks).toBeLessThan(25)
})

test('a step is found too, and a target outside gives the nearer bound', () => {
  expect(crossing((x) => (x < 2 ? 0 : 1), 0.5, 0, 10)).toBeCloseTo(2, 12)
  expect([
    crossing((x) => x, 12, 0, 10),
    crossing((x) => x, -1, 0, 10),
    crossing((x) => x, 10, 0, 10),
  ]).toEqual([10, 0, 10])
})
