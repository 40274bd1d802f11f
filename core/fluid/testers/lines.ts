import { type Fact, fact } from '../../base/decision'
import type { TesterId } from './index'

/**
 * What an instrument and the program say to each other, a line each, ended by LF. `docs/tester-lines.md` has it for
 * whoever builds another instrument.
 */
export const READ = 'READ'
export const STOP = 'STOP'
const GREETING = 'SIPHON-TESTER'
const VERSION = 1
/** No line is longer; more without an end is not an instrument. */
export const LONGEST_LINE = 300

/** What an instrument says. */
export type Said =
  | { says: 'hello'; tester: TesterId }
  | { says: 'busy'; pct: number }
  | { says: 'reading'; value: number }
  | { says: 'stopped' }
  /** The instrument's own reason why there is no reading, in its own words. */
  | { says: 'fault'; code: string; text: string }

/** What is heard of it: what it says, or why nothing that it said, or did not say, could be taken. */
export type Heard = Said | { says: 'lost'; why: Lost; said?: string }

export type Lost =
  | 'no-tester'
  | 'silent'
  | 'unplugged'
  | 'garbled'
  | 'version'
  | 'unknown-kind'
  | 'out-of-turn'
  | 'stopped'

/** Why there is no reading, to be said; undefined where that is not what was heard. */
export function whyNoReading(said: Heard): Fact | undefined {
  if (said.says === 'fault') return fact('tester-lost-own', { said: said.text })
  return said.says === 'lost' ? fact(`tester-lost-${said.why}`, { said: said.said }) : undefined
}

/** One of an instrument's lines as it goes over the wire, without its end. */
export function lineOf(said: Said): string {
  switch (said.says) {
    case 'hello':
      return `${GREETING} ${VERSION} ${said.tester}`
    case 'busy':
      return `BUSY ${said.pct}`
    case 'reading':
      return `READING ${said.value}`
    case 'stopped':
      return 'STOPPED'
    case 'fault':
      return `FAULT ${said.code} ${said.text}`
  }
}

const lost = (why: Lost, said: string): Heard => ({ says: 'lost', why, said: said.slice(0, 40) })
const garbled = (line: string): Heard => lost('garbled', line)

/** What a line of an instrument means; one that means nothing is a fault, never a guess. */
export function readLine(line: string, known: readonly TesterId[]): Heard {
  const [word = '', ...rest] = line.trim().split(' ')
  const number = /^\d{1,6}(\.\d{1,4})?$/.test(rest[0] ?? '') ? Number(rest[0]) : undefined
  switch (word) {
    case GREETING: {
      const tester = known.find((id) => id === rest[1])
      if (rest[0] !== String(VERSION)) return lost('version', rest[0] ?? '')
      return tester ? { says: 'hello', tester } : lost('unknown-kind', rest[1] ?? '')
    }
    case 'BUSY':
      return number !== undefined && number <= 100 && rest.length === 1
        ? { says: 'busy', pct: number }
        : garbled(line)
    case 'READING':
      return number !== undefined && rest.length === 1 ? { says: 'reading', value: number } : garbled(line)
    case 'STOPPED':
      return { says: 'stopped' }
    case 'FAULT':
      return rest.length > 1
        ? { says: 'fault', code: rest[0] ?? '', text: rest.slice(1).join(' ') }
        : garbled(line)
    default:
      return garbled(line)
  }
}
