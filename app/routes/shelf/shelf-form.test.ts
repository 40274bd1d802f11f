import { parseWithZod } from '@conform-to/zod/v4'
import { describe, expect, test } from 'vitest'
import { withUnits } from '~/lib/fields'
import { deliverySchema, handOverSchema } from './shelf-form'

const read = (
  fields: Record<string, string>,
  schema: typeof deliverySchema | typeof handOverSchema = deliverySchema,
) => {
  const form = new FormData()
  for (const [name, value] of Object.entries(fields)) form.append(name, value)
  const parsed = parseWithZod(withUnits(form), { schema })
  return parsed.status === 'success' ? { value: parsed.value } : { faults: Object.keys(parsed.error ?? {}) }
}
const litre = { product: 'Skerry 4', spec: 'DOT 4', sizeMl: '1000', count: '3' }

describe('a delivery as it is typed', () => {
  test('a US quart is 946 mL', () => {
    const { value } = read({ ...litre, sizeMl: '32', 'sizeMl-unit': 'fl oz' })
    expect(value && 'sizeMl' in value && value.sizeMl).toBeCloseTo(946.35, 2)
  })

  test.each([
    ['no name', { ...litre, product: '' }, ['product']],
    ['an unknown kind', { ...litre, spec: 'DOT 7' }, ['spec']],
    ['none of them', { ...litre, count: '0' }, ['count']],
    ['a size of nothing', { ...litre, sizeMl: '0' }, ['sizeMl']],
    ['more left than it holds', { ...litre, leftMl: '1200', openedOn: '2026-05-01' }, ['leftMl']],
    ['not full and never opened', { ...litre, leftMl: '500' }, ['openedOn']],
    ['half a data sheet', { ...litre, wetC: '180' }, ['dryC']],
  ])('%s is faulted at its field', (_what, fields, faults) => {
    expect(read(fields as Record<string, string>).faults).toEqual(faults)
  })
})

test('a drum is handed over on a day that exists, against a paper with a number', () => {
  const over = (more: object) =>
    read({ kind: 'glycol', on: '2026-02-28', paper: 'W-1', ...more }, handOverSchema).faults
  expect(over({})).toBeUndefined()
  expect(over({ on: '2026-02-30' })).toEqual(['on'])
  expect(over({ paper: ' ' })).toEqual(['paper'])
  expect(over({ kind: 'soup' })).toEqual(['kind'])
})
