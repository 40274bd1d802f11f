import * as fc from 'fast-check'
import { expect, test } from 'vitest'
import { LONGEST_LINE, readScaleLine, type ScaleSaid, scaleLineOf } from './lines'

test.each([
  [{ says: 'hello', stepG: 0.5, capacityG: 6000 }],
  [{ says: 'grams', grams: -12.3 }],
  [{ says: 'over' }],
  [{ says: 'fault', code: 'own', said: 'It does not stand level.' }],
] as const)('what is said is read as it was said: %j', (said) => {
  expect(readScaleLine(scaleLineOf(said as ScaleSaid))).toEqual(said)
})

test.each([
  ['another version', 'SIPHON-SCALE 2 1 5000', 'version'],
  ['a step of nothing', 'SIPHON-SCALE 1 0 5000', 'garbled'],
  ['a step larger than all it can weigh', 'SIPHON-SCALE 1 6000 5000', 'garbled'],
  ['an exponent', 'GRAMS 1e5', 'garbled'],
  ['two weights', 'GRAMS 12 13', 'garbled'],
  ['no number', 'GRAMS NaN', 'garbled'],
  ['nothing', '', 'garbled'],
])('%s is a fault', (_what, line, code) => {
  expect(readScaleLine(line)).toMatchObject({ says: 'fault', code })
})

test('whatever bytes come, a line is a number that can be weighed, or a fault; 10 000 lines', () => {
  const words = fc.constantFrom(
    'SIPHON-SCALE',
    'GRAMS',
    'OVER',
    'FAULT',
    '1',
    '-3.5',
    '1e9',
    'é',
    '\u0000',
    '99999999',
  )
  const line = fc.oneof(
    fc.string({ maxLength: LONGEST_LINE }),
    fc.array(words, { maxLength: 6 }).map((w) => w.join(' ')),
  )
  fc.assert(
    fc.property(line, (text) => {
      const said = readScaleLine(text)
      if (said.says === 'grams') expect(Math.abs(said.grams)).toBeLessThan(1e6)
      if (said.says === 'hello') expect(said.capacityG).toBeGreaterThan(said.stepG)
    }),
    { numRuns: 10_000 },
  )
})
