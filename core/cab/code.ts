/** Signs that nobody mixes up when they are called across a shop: no I, L, O, U, 0, 1. Thirty of them. */
const SIGNS = '23456789ABCDEFGHJKMNPQRSTVWXYZ'
export const CAB_CODE_LENGTH = 6

/** A code that links one phone to one job. @param numbers six whole numbers of 0 or more, at random */
export const cabCodeFrom = (numbers: readonly number[]): string =>
  Array.from({ length: CAB_CODE_LENGTH }, (_, i) => SIGNS[(numbers[i] ?? 0) % SIGNS.length]).join('')

/** A code as it was typed; small letters and spaces do not matter. Undefined where it cannot be one. */
export function readCabCode(typed: string): string | undefined {
  const code = typed.toUpperCase().replace(/[\s-]/g, '')
  return code.length === CAB_CODE_LENGTH && [...code].every((sign) => SIGNS.includes(sign)) ? code : undefined
}
