import { expect, test } from 'vitest'
import { z } from 'zod'
import { parseDecimal, quantityField, typedIn, unitFieldOf, withUnits } from './fields'

test('a number is read with point or comma, and nothing that only looks like one', () => {
  expect(['3.1', '3,1', ' 12 ', '-4', ''].map(parseDecimal)).toEqual([3.1, 3.1, 12, -4, undefined])
  for (const text of ['0x10', '1e5', '3..1', 'plenty', '1,2,3', 'Infinity'])
    expect(parseDecimal(text)).toBe('bad')
})

test('a thousand, or one and a fraction: nobody but who typed it knows, so it is asked', () => {
  for (const text of ['1,000', '12,500', '-1,000']) expect(parseDecimal(text)).toBe('bad')
  expect(['0,125', '1,25', '1,0000', '3.175', '1000'].map(parseDecimal)).toEqual([
    0.125, 1.25, 1, 3.175, 1000,
  ])
  const ml = quantityField('volume', { min: 0, max: 5000 })
  expect(ml.safeParse('1,000 mL').error?.issues[0]?.message).toContain('a thousand')
})

test('a bare number takes the unit that stood beside its field, once, and the record keeps what was typed', () => {
  const form = new FormData()
  for (const [name, value] of [
    ['levelMl', '5,5'],
    [unitFieldOf('levelMl'), 'fl oz'],
    ['odometerKm', '100 km'],
    [unitFieldOf('odometerKm'), 'mi'],
    ['note', '12'],
  ] as const)
    form.append(name, value)
  const read = withUnits(form)
  expect([read.get('levelMl'), read.get('odometerKm'), read.get('note')]).toEqual([
    '5,5 fl oz',
    '100 km',
    '12',
  ])
  expect(withUnits(read).get('levelMl')).toBe('5,5 fl oz')
  expect(typedIn(form)).toEqual({ levelMl: '5,5 fl oz', odometerKm: '100 km' })
  expect(typedIn(new FormData())).toBeUndefined()
  form.append('x', `5${' '.repeat(90)}`)
  form.append(unitFieldOf('x'), 'psi')
  expect(Object.keys(typedIn(form) ?? {})).not.toContain('x')
})

test('a quantity is metric inside, and refused with bounds in the unit that was typed', () => {
  const schema = z.object({ ml: quantityField('volume', { min: 0, max: 1000 }) })
  expect(schema.parse({ ml: '2 fl oz' }).ml).toBeCloseTo(59.147, 2)
  expect(schema.parse({ ml: '7.5' }).ml).toBe(7.5)
  expect(schema.parse({}).ml).toBeUndefined()
  expect(schema.safeParse({ ml: '40 fl oz' }).error?.issues[0]?.message).toBe('Give 0 to 33.81 fl oz.')
  expect(schema.safeParse({ ml: 'full' }).error?.issues[0]?.message).toBe('Give a number, like 3.1 or 3,1.')
})
