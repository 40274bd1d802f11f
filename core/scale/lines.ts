/**
 * What a scale says, a line each, ended by LF. It is asked nothing: it says its weight over and over.
 * `docs/scale-lines.md` has it for whoever builds another scale.
 */
const GREETING = 'SIPHON-SCALE'
const VERSION = 1
/** No line is longer; more without an end is not a scale. */
export const LONGEST_LINE = 300
/** It says its weight at least so often. */
export const SILENT_MS = 3000

/** Why nothing is weighed; `own` is what the scale itself gives as the reason. */
export type ScaleFault = 'no-scale' | 'silent' | 'unplugged' | 'garbled' | 'version' | 'own'

/** What a scale says. */
export type ScaleSaid =
  | { says: 'hello'; stepG: number; capacityG: number }
  | { says: 'grams'; grams: number }
  /** More lies on it than it can weigh. */
  | { says: 'over' }
  /** Why it does not weigh: one of ours, or its own with its own sentence. */
  | { says: 'fault'; code: ScaleFault; said?: string }

/** One of a scale’s lines as it goes over the wire, without its end. */
export function scaleLineOf(said: ScaleSaid): string {
  switch (said.says) {
    case 'hello':
      return `${GREETING} ${VERSION} ${said.stepG} ${said.capacityG}`
    case 'grams':
      return `GRAMS ${said.grams}`
    case 'over':
      return 'OVER'
    case 'fault':
      return `FAULT ${said.code} ${said.said ?? ''}`.trimEnd()
  }
}

const fault = (code: ScaleFault, said: string): ScaleSaid => ({
  says: 'fault',
  code,
  said: said.slice(0, 80),
})
const garbled = (line: string) => fault('garbled', line)

/** Decimal with a point, a minus where it is less than nothing, no exponent. */
const numberOf = (text: string | undefined): number | undefined =>
  /^-?\d{1,6}(\.\d{1,4})?$/.test(text ?? '') ? Number(text) : undefined

/** What a line of a scale means; one that means nothing is a fault, never a guess. */
export function readScaleLine(line: string): ScaleSaid {
  const [word = '', ...rest] = line.trim().split(' ')
  switch (word) {
    case GREETING: {
      const [stepG, capacityG] = [numberOf(rest[1]), numberOf(rest[2])]
      if (rest[0] !== String(VERSION)) return fault('version', rest[0] ?? '')
      const sane = stepG !== undefined && capacityG !== undefined && stepG > 0 && capacityG > stepG
      return sane && rest.length === 3 ? { says: 'hello', stepG, capacityG } : garbled(line)
    }
    case 'GRAMS': {
      const grams = numberOf(rest[0])
      return grams !== undefined && rest.length === 1 ? { says: 'grams', grams } : garbled(line)
    }
    case 'OVER':
      return rest.length === 0 ? { says: 'over' } : garbled(line)
    case 'FAULT':
      return rest.length > 1 ? fault('own', rest.slice(1).join(' ')) : garbled(line)
    default:
      return garbled(line)
  }
}
