import { parseWithZod } from '@conform-to/zod/v4'
import { describe, expect, test } from 'vitest'
import { withUnits } from '~/lib/fields'
import { testFormSchema } from './test-form'

const read = (fields: Record<string, string>) => {
  const form = new FormData()
  for (const [name, value] of Object.entries(fields)) form.append(name, value)
  const parsed = parseWithZod(withUnits(form), { schema: testFormSchema })
  return parsed.status === 'success' ? { value: parsed.value } : { faults: Object.keys(parsed.error ?? {}) }
}
const meter = { tester: 'percent-meter', value: '3,1', at: 'reservoir' }

describe('a test as it is typed', () => {
  test('a reading with its place, by its tester, and by the instrument where it said so', () => {
    expect(read(meter).value?.readings).toEqual([{ tester: 'percent-meter', value: 3.1, at: 'reservoir' }])
    expect(read({ ...meter, instrument: 'yes' }).value?.readings[0]?.byInstrument).toBe(true)
  })

  test('what boiled at 356 °F boiled at 180 °C', () => {
    const boiled = read({ tester: 'boiling-sampler', value: '356', 'value-unit': '°F', at: 'caliper' })
    expect(boiled.value?.readings[0]?.value).toBeCloseTo(180, 9)
  })

  test('two readings, each by its own tester', () => {
    const both = read({ ...meter, tester2: 'banded-pen', value2: '2', at2: 'caliper' })
    expect(both.value?.readings.map(({ tester, at }) => [tester, at])).toEqual([
      ['percent-meter', 'reservoir'],
      ['banded-pen', 'caliper'],
    ])
  })

  test.each([
    ['nothing typed', { ...meter, value: '' }, ['value']],
    ['more than there can be', { ...meter, value: '120' }, ['value']],
    ['a lamp the pen does not have', { tester: 'banded-pen', value: '2.5', at: 'reservoir' }, ['value']],
    ['no place', { tester: 'percent-meter', value: '2' }, ['at']],
    ['an unknown place', { ...meter, at: 'floor' }, ['at']],
    ['no tester', { value: '2', at: 'reservoir' }, ['tester']],
    ['no reading and no reason', { tester: 'none' }, ['why']],
    [
      'a bad second reading',
      { ...meter, tester2: 'copper-strip', value2: 'much', at2: 'reservoir' },
      ['value2'],
    ],
    ['half a data sheet', { ...meter, productName: 'Skerry 4', dryC: '260' }, ['wetC']],
    ['a wet point above the dry one', { ...meter, productName: 'S', dryC: '200', wetC: '210' }, ['wetC']],
    ['a data sheet of nothing', { ...meter, dryC: '260', wetC: '180' }, ['productName']],
  ])('%s is faulted at its field', (_what, fields, faults) => {
    expect(read(fields as Record<string, string>).faults).toEqual(faults)
  })
})
