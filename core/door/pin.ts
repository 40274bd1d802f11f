import { type Fact, fact } from '../base/decision'

/** Why a PIN is not taken; undefined where it is. */
export function pinFault(pin: string): Fact | undefined {
  if (!/^\d{4,8}$/.test(pin)) return fact('pin-digits')
  return isTrivial(pin) ? fact('pin-trivial') : undefined
}

/** One or two digits over and over, or a row upwards or downwards. */
function isTrivial(pin: string): boolean {
  const digits = [...pin].map(Number)
  const steps = new Set(digits.slice(1).map((digit, i) => digit - (digits[i] ?? 0)))
  return new Set(digits).size < 3 || (steps.size === 1 && (steps.has(1) || steps.has(-1)))
}
