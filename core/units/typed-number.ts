const NUMBER = /^-?\d{1,9}(?:[.,]\d{1,6})?$/
const EITHER = /^\s*-?[1-9]\d{0,2},\d{3}(?![\d.,])/

/** Whether a text begins with a comma before exactly three digits: a thousand to one reader, one and a fraction to another. */
export const thousandOrFraction = (text: string): boolean => EITHER.test(text)

/**
 * A number as a person types it: point or comma, nothing else. `Number` alone would take "0x10" and refuse "3,1".
 * "1,000" is neither a thousand nor one: whoever typed it is asked.
 *
 * @returns undefined where it is no number, or may be two
 */
export function readNumber(text: string): number | undefined {
  const trimmed = text.trim()
  if (!NUMBER.test(trimmed) || thousandOrFraction(trimmed)) return undefined
  return Number(trimmed.replace(',', '.'))
}
