import { type Fact, fact } from '../base/decision'

/** I, O and Q are left out: they look like 1 and 0. @source ISO 3779 */
const VALUES = new Map<string, number>([
  ...[...'0123456789'].map((digit) => [digit, Number(digit)] as const),
  ...[...'ABCDEFGH'].map((letter, i) => [letter, i + 1] as const),
  ...[...'JKLMN'].map((letter, i) => [letter, i + 1] as const),
  ['P', 7],
  ['R', 9],
  ...[...'STUVWXYZ'].map((letter, i) => [letter, i + 2] as const),
])
/** The ninth place is the check digit itself and weighs nothing. @source 49 CFR 565.15 (recalled) */
const WEIGHTS = [8, 7, 6, 5, 4, 3, 2, 10, 0, 9, 8, 7, 6, 5, 4, 3, 2]
const CHECK_AT = 8

/** As it is stored: capitals, without the blanks it is read out in. */
export const tidyVin = (typed: string): string => typed.toUpperCase().replace(/[\s-]/g, '')

/** The check digit that belongs to 17 letters and digits: their weighted sum, remainder by 11, ten written X. */
export function vinCheckDigit(vin: string): string {
  const sum = [...vin].reduce((all, sign, i) => all + (VALUES.get(sign) ?? 0) * (WEIGHTS[i] ?? 0), 0)
  return sum % 11 === 10 ? 'X' : String(sum % 11)
}

/**
 * What to look at again in a vehicle identification number: a warning, never a refusal, since old and foreign ones differ;
 * undefined where nothing is wrong or nothing was typed.
 * @source ISO 3779 for the signs, 49 CFR 565 for the check digit (recalled)
 */
export function vinWarning(typed: string): Fact | undefined {
  const vin = tidyVin(typed)
  if (vin === '') return undefined
  if (vin.length !== 17) return fact('vin-length', { signs: vin.length })
  const odd = [...vin].filter((sign) => !VALUES.has(sign))
  if (odd.length > 0) return fact('vin-letters', { odd })
  const check = vinCheckDigit(vin)
  if (vin[CHECK_AT] !== check) return fact('vin-check-digit', { ninth: vin[CHECK_AT], fits: check })
  return undefined
}
