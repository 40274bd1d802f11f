import fc from 'fast-check'
import { expect, test } from 'vitest'
import { takeOnHand } from './on-hand'

const sumOf = (containers: readonly { ml: number; count: number }[]) =>
  containers.reduce((sum, { ml, count }) => sum + ml * count, 0)

test('300 mL from 250 and 1000 is the 1000; 1200 is both; 2000 is all there is', () => {
  const shelf = [
    { ml: 250, count: 1 },
    { ml: 1000, count: 1 },
  ]
  expect(takeOnHand(300, shelf)).toEqual([{ ml: 1000, count: 1 }])
  expect(sumOf(takeOnHand(1200, shelf))).toBe(1250)
  expect(sumOf(takeOnHand(2000, shelf))).toBe(1250)
  expect(takeOnHand(0, shelf)).toEqual([])
})

const shelves = fc.array(
  fc.record({ ml: fc.constantFrom(250, 355, 500, 946, 1000, 5000), count: fc.integer({ min: 1, max: 2 }) }),
  { maxLength: 4 },
)

test('nothing is opened that is not there, it reaches where the shelf does, and no choice leaves less over', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 12_000 }), shelves, (needMl, shelf) => {
      const taken = takeOnHand(needMl, shelf)
      const has = (ml: number) =>
        shelf.filter((each) => each.ml === ml).reduce((sum, { count }) => sum + count, 0)
      for (const { ml, count } of taken) expect(count).toBeLessThanOrEqual(has(ml))
      const each = shelf.flatMap(({ ml, count }) => Array<number>(count).fill(ml))
      // Every choice there is: at most eight containers.
      const sums = Array.from({ length: 2 ** each.length }, (_, bits) =>
        each.reduce((sum, ml, i) => sum + ((bits >> i) & 1 ? ml : 0), 0),
      ).filter((sum) => sum >= needMl)
      expect(sumOf(taken)).toBe(sums.length > 0 ? Math.min(...sums) : sumOf(shelf))
    }),
    { seed: 31 },
  )
})

test('a need beyond any vehicle is met without searching it all', () => {
  expect(sumOf(takeOnHand(1e6, [{ ml: 250_000, count: 9 }]))).toBe(1e6)
  expect(
    sumOf(
      takeOnHand(1e6 + 300, [
        { ml: 250_000, count: 9 },
        { ml: 500, count: 3 },
      ]),
    ),
  ).toBe(1e6 + 500)
})

test('of many on hand the least is opened, and of many alike only some', () => {
  const many = [
    { ml: 1000, count: 60 },
    { ml: 250, count: 60 },
  ]
  expect(takeOnHand(300, many)).toEqual([{ ml: 250, count: 2 }])
  expect(takeOnHand(3200, many)).toEqual([
    { ml: 1000, count: 3 },
    { ml: 250, count: 1 },
  ])
  expect(sumOf(takeOnHand(19_900, many))).toBe(20_000)
})
