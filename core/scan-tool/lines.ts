import { type Position, positions } from '../vehicle/schema'

/**
 * What a scan tool says and is asked, a line each, ended by LF. `docs/scan-tool-lines.md` has it for whoever builds
 * another one.
 */
const GREETING = 'SIPHON-SCAN-TOOL'
/** Versions that are understood. The first knows no prompts, wheels, lamp or actuators, and cannot be joined again. */
const versions = [1, 2] as const
export type ScanVersion = (typeof versions)[number]
export const SCAN_VERSION: ScanVersion = 2
/** No line is longer; more without an end is not a scan tool. */
export const LONGEST_LINE = 300
/** It says something at least so often while it was asked something. */
export const SILENT_MS = 5000

/** What is read off a unit: pressures in kPa, a pedal in mm, the vehicle’s speed in km/h. */
export const liveNames = ['pressure', 'left', 'right', 'pedal', 'speed'] as const
export type LiveName = (typeof liveNames)[number]
export const lampStands = ['out', 'on'] as const
export const codeStands = ['present', 'stored', 'returned', 'cleared'] as const
/** Why a tool does nothing of what it was asked. */
export const refusals = [
  'not-offered',
  'ignition-off',
  'voltage-low',
  'busy',
  'no-unit',
  'nothing-runs',
] as const
/** Why a routine that ran broke off. */
export const breaks = ['pump-runs-on', 'door-opened', 'battery-low', 'tool-died', 'refused'] as const

/** Why nothing comes of a tool. */
export type ScanFault = 'no-tool' | 'silent' | 'unplugged' | 'garbled' | 'version'

export type ScanSaid =
  | { says: 'hello'; version: ScanVersion }
  | { says: 'number'; number: string }
  | { says: 'volts'; volts: number }
  | { says: 'code'; code: string; is: (typeof codeStands)[number]; text: string }
  | { says: 'live'; name: LiveName; value: number }
  | { says: 'wheel'; position: Position; kmh: number }
  | { says: 'lamp'; is: (typeof lampStands)[number] }
  /** All that was asked for is said. */
  | { says: 'end' }
  | { says: 'runs' }
  /** What its screen asks for while something runs. */
  | { says: 'prompt'; text: string }
  | { says: 'came'; what: string }
  | { says: 'broke'; why: (typeof breaks)[number]; text: string }
  | { says: 'refused'; why: (typeof refusals)[number]; text: string }
  /** Never on the wire: its cable came out while something ran, and it is asked whether that still runs. */
  | { says: 'lost' }
  | { says: 'fault'; code: ScanFault; text: string }
export type ScanLine = Exclude<ScanSaid, { says: 'fault' | 'lost' }>

/** What a tool is asked. */
export type ScanAsked =
  | { ask: 'read' }
  | { ask: 'clear' }
  | { ask: 'calibrate'; what: string }
  /** Go on with a routine until this has come. */
  | { ask: 'run'; routine: string; until: string }
  /** Join what runs already until this has come: it starts nothing. */
  | { ask: 'hear'; until: string }
  /** Work one thing for a moment: the pump, or the valves of one wheel. */
  | { ask: 'actuate'; what: string }

/** What ends an answer. */
export const endsAnswer = ({ says }: ScanSaid): boolean =>
  says === 'end' || says === 'came' || says === 'broke' || says === 'refused' || says === 'fault'

/** Line ends inside a text would be lines of their own. */
const oneLine = (text: string) => text.replaceAll(/\s+/g, ' ').trim().slice(0, 200)

/** One of a tool’s lines as it goes over the wire, without its end. */
export function scanLineOf(said: ScanLine): string {
  switch (said.says) {
    case 'hello':
      return `${GREETING} ${said.version}`
    case 'number':
      return `NUMBER ${oneLine(said.number)}`
    case 'volts':
      return `VOLTS ${said.volts}`
    case 'code':
      return `CODE ${said.code.replaceAll(' ', '')} ${said.is} ${oneLine(said.text)}`.trimEnd()
    case 'live':
      return `LIVE ${said.name} ${said.value}`
    case 'wheel':
      return `WHEEL ${said.position} ${said.kmh}`
    case 'lamp':
      return `LAMP ${said.is}`
    case 'prompt':
      return `PROMPT ${oneLine(said.text)}`
    case 'end':
      return 'END'
    case 'runs':
      return 'RUNS'
    case 'came':
      return `CAME ${said.what}`
    case 'broke':
      return `BROKE ${said.why} ${oneLine(said.text)}`.trimEnd()
    case 'refused':
      return `REFUSED ${said.why} ${oneLine(said.text)}`.trimEnd()
  }
}

/** What a program asks as it goes over the wire, without its end. */
export function askLineOf(asked: ScanAsked): string {
  switch (asked.ask) {
    case 'read':
      return 'READ'
    case 'clear':
      return 'CLEAR'
    case 'calibrate':
      return `CALIBRATE ${oneLine(asked.what)}`
    case 'run':
      return `RUN ${asked.routine} ${asked.until}`
    case 'hear':
      return `HEAR ${asked.until}`
    case 'actuate':
      return `ACTUATE ${asked.what}`
  }
}

/** What a program asks of a tool; undefined where a line asks nothing. */
export function readAsked(line: string): ScanAsked | undefined {
  const [word = '', ...rest] = line.trim().split(' ')
  if (word === 'READ' && rest.length === 0) return { ask: 'read' }
  if (word === 'CLEAR' && rest.length === 0) return { ask: 'clear' }
  if (word === 'CALIBRATE' && rest.length > 0) return { ask: 'calibrate', what: rest.join(' ') }
  const [routine, until] = rest
  if (word === 'HEAR' && routine && rest.length === 1) return { ask: 'hear', until: routine }
  if (word === 'ACTUATE' && routine && rest.length === 1) return { ask: 'actuate', what: routine }
  if (word === 'RUN' && routine && until && rest.length === 2) return { ask: 'run', routine, until }
  return undefined
}

const numberOf = (text: string | undefined): number | undefined =>
  /^-?\d{1,6}(\.\d{1,4})?$/.test(text ?? '') ? Number(text) : undefined
const among = <T extends string>(values: readonly T[], text: string | undefined): T | undefined =>
  values.find((each) => each === text)
const garbled = (line: string): ScanSaid => ({ says: 'fault', code: 'garbled', text: line.slice(0, 80) })

/** What a line of a tool means; one that means nothing is a fault, never a guess. */
export function readScanLine(line: string): ScanSaid {
  const [word = '', ...rest] = line.trim().split(' ')
  const text = rest.slice(1).join(' ')
  switch (word) {
    case GREETING: {
      const version = versions.find((each) => String(each) === rest[0])
      return version !== undefined && rest.length === 1
        ? { says: 'hello', version }
        : { says: 'fault', code: 'version', text: rest.join(' ').slice(0, 80) }
    }
    case 'NUMBER':
      return rest.length > 0 ? { says: 'number', number: rest.join(' ') } : garbled(line)
    case 'VOLTS': {
      const volts = numberOf(rest[0])
      return volts !== undefined && volts >= 0 && rest.length === 1 ? { says: 'volts', volts } : garbled(line)
    }
    case 'CODE': {
      const is = among(codeStands, rest[1])
      const [code = ''] = rest
      return is && code.length > 0 && code.length <= 20
        ? { says: 'code', code, is, text: rest.slice(2).join(' ') }
        : garbled(line)
    }
    case 'LIVE': {
      const [name, value] = [among(liveNames, rest[0]), numberOf(rest[1])]
      return name && value !== undefined && rest.length === 2 ? { says: 'live', name, value } : garbled(line)
    }
    case 'WHEEL': {
      const [position, kmh] = [among(positions, rest[0]), numberOf(rest[1])]
      return position && kmh !== undefined && kmh >= 0 && rest.length === 2
        ? { says: 'wheel', position, kmh }
        : garbled(line)
    }
    case 'LAMP': {
      const is = among(lampStands, rest[0])
      return is && rest.length === 1 ? { says: 'lamp', is } : garbled(line)
    }
    case 'PROMPT':
      return rest.length > 0 ? { says: 'prompt', text: rest.join(' ') } : garbled(line)
    case 'END':
      return rest.length === 0 ? { says: 'end' } : garbled(line)
    case 'RUNS':
      return rest.length === 0 ? { says: 'runs' } : garbled(line)
    case 'CAME':
      return rest.length === 1 && rest[0] ? { says: 'came', what: rest[0] } : garbled(line)
    case 'BROKE': {
      const why = among(breaks, rest[0])
      return why ? { says: 'broke', why, text } : garbled(line)
    }
    case 'REFUSED': {
      const why = among(refusals, rest[0])
      return why ? { says: 'refused', why, text } : garbled(line)
    }
    default:
      return garbled(line)
  }
}
