import { expect, test } from 'vitest'
import { parseDecimal } from './fields'

test('a number is read with point or comma, and nothing that only looks like one', () => {
  expect(['3.1', '3,1', ' 12 ', '-4', ''].map(parseDecimal)).toEqual([3.1, 3.1, 12, -4, undefined])
  for (const text of ['0x10', '1e5', '3..1', 'plenty', '1,2,3', 'Infinity'])
    expect(parseDecimal(text)).toBe('bad')
})
