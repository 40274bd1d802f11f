import { expect, test } from 'vitest'
import { nutStar } from './nut-star'

test('four crosswise, five as a star, six and eight in opposite pairs', () => {
  expect(nutStar(4)).toEqual([0, 2, 1, 3])
  expect(nutStar(5)).toEqual([0, 2, 4, 1, 3])
  expect(nutStar(6)).toEqual([0, 3, 1, 4, 2, 5])
  expect(nutStar(8)).toEqual([0, 4, 2, 6, 1, 5, 3, 7])
})

test('every nut once, and from four on never one beside the one before it but between pairs', () => {
  for (let nuts = 1; nuts <= 40; nuts++) {
    const order = nutStar(nuts)
    expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: nuts }, (_, i) => i))
    // A second of each pair lies half-way round.
    if (nuts >= 4)
      for (let i = 1; i < nuts; i += 2) {
        const apart = Math.abs((order[i] ?? 0) - (order[i - 1] ?? 0))
        expect(Math.min(apart, nuts - apart)).toBe(Math.floor(nuts / 2))
      }
  }
})
