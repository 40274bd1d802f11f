import { convert } from 'convert'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { showIn } from './show'
import {
  differenceFromMetric,
  fromMetric,
  metricUnits,
  quantityIds,
  readQuantity,
  toMetric,
  unitsOf,
  usUnits,
} from './units'

describe('one unit of each in metric (convert, library)', () => {
  test.each([
    ['volume', 'fl oz', convert(1, 'US fluid ounces').to('millilitres')],
    ['pressure', 'psi', convert(1, 'psi').to('kPa')],
    ['pressure', 'bar', convert(1, 'bar').to('kPa')],
    // A pound of force is a psi over a square inch.
    [
      'torque',
      'lb·ft',
      convert(1, 'psi').to('Pa') * convert(1, 'inch').to('m') ** 2 * convert(1, 'foot').to('m'),
    ],
    ['distance', 'mi', convert(1, 'mile').to('km')],
    ['length', 'in', convert(1, 'inch').to('mm')],
    ['run', 'ft', convert(1, 'foot').to('m')],
  ] as const)('%s: 1 %s', (quantity, unit, metric) => {
    // The library’s psi is rounded to seven figures.
    expect(toMetric(quantity, 1, unit) / metric).toBeCloseTo(1, 7)
  })

  test('230 °C is 446 °F, and back; 10 °C apart is 18 °F apart', () => {
    expect(fromMetric('temperature', 230, '°F')).toBeCloseTo(convert(230, 'celsius').to('fahrenheit'), 9)
    expect(toMetric('temperature', -40, '°F')).toBeCloseTo(-40, 9)
    expect(differenceFromMetric('temperature', 10, '°F')).toBeCloseTo(18, 9)
  })
})

test('what is shown in any unit and typed back is what it was, to a millionth', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...quantityIds),
      fc.double({ min: -1e4, max: 1e4, noNaN: true }),
      (quantity, value) => {
        for (const unit of unitsOf(quantity))
          expect(toMetric(quantity, fromMetric(quantity, value, unit), unit)).toBeCloseTo(value, 6)
      },
    ),
  )
})

test('both sets name a unit that the quantity has', () => {
  for (const quantity of quantityIds)
    for (const units of [metricUnits, usUnits]) expect(unitsOf(quantity)).toContain(units[quantity])
})

test.each([
  ['15 psi', 'pressure', 'kPa', 103.42, 'psi'],
  ['3,1', 'volume', 'mL', 3.1, 'mL'],
  ['59F', 'temperature', '°C', 15, '°F'],
  ['1.5 floz', 'volume', 'mL', 44.36, 'fl oz'],
] as const)('"%s" is read with its unit', (text, quantity, usual, metric, unit) => {
  const read = readQuantity(text, quantity, usual)
  expect(read?.metric).toBeCloseTo(metric, 2)
  expect(read?.unit).toBe(unit)
})

test.each(['', 'psi', '15 bananas', '0x10', '1e5', '3.1.2', '--3'])('"%s" is no pressure', (text) => {
  expect(readQuantity(text, 'pressure', 'kPa')).toBeUndefined()
})

test('a person reads what could be measured: whole mL and degrees, tenths of an ounce, and a difference without its zero', () => {
  const [metric, us] = [showIn(metricUnits), showIn(usUnits)]
  expect([metric('volume', 151.4), metric('volume', 4.25), us('volume', 151.4)]).toEqual([
    '151 mL',
    '4.3 mL',
    '5.1 fl oz',
  ])
  expect([metric('temperature', 172.4), us('temperature', 172.4), us.apart('temperature', 10)]).toEqual([
    '172 °C',
    '342 °F',
    '18 °F',
  ])
  expect([us('pressure', 103.42), metric('pressure', -0.01), metric('temperature', -40)]).toEqual([
    '15 psi',
    '0 kPa',
    '−40 °C',
  ])
})

test('a torque is shown to the half newton metre it is given to', () => {
  expect([12.5, 10, 8.5, 110].map((nm) => showIn(metricUnits)('torque', nm))).toEqual([
    '12.5 N·m',
    '10 N·m',
    '8.5 N·m',
    '110 N·m',
  ])
  expect(showIn(usUnits)('torque', 16)).toBe('11.8 lb·ft')
})

test('a text as long as a hostile stranger can make it is read in no more than its own length', () => {
  const long = `1 a${' '.repeat(300_000)}b${' '.repeat(300_000)}`
  expect(readQuantity(long, 'pressure', 'kPa')).toBeUndefined()
  expect(readQuantity(`15${' '.repeat(300_000)}psi`, 'pressure', 'kPa')?.unit).toBe('psi')
})
