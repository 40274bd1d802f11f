import fc from 'fast-check'
import { expect, test } from 'vitest'
import { positions } from '../vehicle/schema'
import {
  askLineOf,
  breaks,
  codeStands,
  lampStands,
  liveNames,
  readAsked,
  readScanLine,
  refusals,
  type ScanLine,
  scanLineOf,
} from './lines'

const text = fc.stringMatching(/^[A-Za-z0-9 .,:-]{0,60}$/).map((each) => each.replaceAll(/\s+/g, ' ').trim())
const word = fc.stringMatching(/^[a-z-]{1,20}$/)
const value = fc.integer({ min: -99_999, max: 99_999 }).map((each) => each / 10)

const said: fc.Arbitrary<ScanLine> = fc.oneof(
  fc.constantFrom<ScanLine>({ says: 'end' }, { says: 'runs' }),
  fc.record({ says: fc.constant('hello' as const), version: fc.constantFrom(1 as const, 2 as const) }),
  fc.record({
    says: fc.constant('wheel' as const),
    position: fc.constantFrom(...positions),
    kmh: fc.integer({ min: 0, max: 3000 }).map((each) => each / 10),
  }),
  fc.record({ says: fc.constant('lamp' as const), is: fc.constantFrom(...lampStands) }),
  fc.record({ says: fc.constant('prompt' as const), text: text.filter((each) => each !== '') }),
  fc.record({ says: fc.constant('number' as const), number: text.filter((each) => each !== '') }),
  fc.record({
    says: fc.constant('volts' as const),
    volts: fc.integer({ min: 0, max: 300 }).map((each) => each / 10),
  }),
  fc.record({
    says: fc.constant('code' as const),
    code: fc.stringMatching(/^[A-Z0-9]{1,12}$/),
    is: fc.constantFrom(...codeStands),
    text,
  }),
  fc.record({ says: fc.constant('live' as const), name: fc.constantFrom(...liveNames), value }),
  fc.record({ says: fc.constant('came' as const), what: word }),
  fc.record({ says: fc.constant('broke' as const), why: fc.constantFrom(...breaks), text }),
  fc.record({ says: fc.constant('refused' as const), why: fc.constantFrom(...refusals), text }),
)

test('whatever a tool says reads as it was said', () => {
  fc.assert(
    fc.property(said, (each) => {
      expect(readScanLine(scanLineOf(each))).toEqual(each)
    }),
    { numRuns: 2000 },
  )
})

test('whatever a tool is asked reads as it was asked', () => {
  const asked = fc.oneof(
    fc.constantFrom({ ask: 'read' } as const, { ask: 'clear' } as const),
    fc.record({ ask: fc.constant('calibrate' as const), what: text.filter((each) => each !== '') }),
    fc.record({ ask: fc.constant('run' as const), routine: word, until: word }),
    fc.record({ ask: fc.constant('hear' as const), until: word }),
    fc.record({ ask: fc.constant('actuate' as const), what: word }),
  )
  fc.assert(
    fc.property(asked, (each) => {
      expect(readAsked(askLineOf(each))).toEqual(each)
    }),
    { numRuns: 2000 },
  )
})

test('10000 lines of chance: each means something, or is a fault; none throws, none asks what it does not say', () => {
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string({ maxLength: 60 }),
        fc.tuple(said, fc.string({ maxLength: 5 }), fc.nat(40)).map(([each, more, at]) => {
          const line = scanLineOf(each)
          return line.slice(0, at) + more + line.slice(at)
        }),
      ),
      (line) => {
        const read = readScanLine(line)
        if (read.says === 'fault') expect(['garbled', 'version']).toContain(read.code)
        else if (read.says !== 'lost') expect(readScanLine(scanLineOf(read))).toEqual(read)
        readAsked(line)
      },
    ),
    { numRuns: 10_000 },
  )
})
