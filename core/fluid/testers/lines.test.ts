import fc from 'fast-check'
import { expect, test } from 'vitest'
import { hasWords } from '../../words'
import { testerIds } from './index'
import { lineOf, readLine, type Said, whyNoReading } from './lines'

const said: fc.Arbitrary<Said> = fc.oneof(
  fc.record({ says: fc.constant('hello' as const), tester: fc.constantFrom(...testerIds) }),
  fc.record({ says: fc.constant('busy' as const), pct: fc.integer({ min: 0, max: 100 }) }),
  fc.record({
    says: fc.constant('reading' as const),
    value: fc.integer({ min: 0, max: 400_000 }).map((n) => n / 1000),
  }),
  fc.record({ says: fc.constant('stopped' as const) }),
  fc.constant<Said>({ says: 'fault', code: 'no-sample', text: 'The probe is dry: put it into the fluid.' }),
)

test('what an instrument says is understood as it was meant', () => {
  fc.assert(
    fc.property(said, (one) => {
      expect(readLine(lineOf(one), testerIds)).toEqual(one)
    }),
  )
})

test('anything else is what was lost, with a sentence, never a reading', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 80 }), (line) => {
      const read = readLine(line, testerIds)
      expect(/^\s*READING \d/.test(line) || read.says !== 'reading').toBe(true)
    }),
  )
  for (const line of [
    'READING',
    'READING -3',
    'READING 1e3',
    'READING 3 4',
    'BUSY 101',
    'SIPHON-TESTER 2 ohmmeter',
    'SIPHON-TESTER 1 oracle',
  ]) {
    const read = readLine(line, testerIds)
    const why = whyNoReading(read)
    expect([read.says, why && hasWords(why.code)]).toEqual(['lost', true])
  }
})
