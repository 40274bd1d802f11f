import { z } from 'zod'

/**
 * A number typed by a person: point or comma, nothing else. `Number` alone would take "0x10" and refuse "3,1".
 * An empty field is undefined.
 */
export function parseDecimal(text: string | undefined): number | undefined | 'bad' {
  const trimmed = text?.trim() ?? ''
  if (trimmed === '') return undefined
  return /^-?\d{1,9}([.,]\d{1,6})?$/.test(trimmed) ? Number(trimmed.replace(',', '.')) : 'bad'
}

type Bounds = { min: number; max: number; unit: string }

/** A number that may be left empty. */
export function decimal({ min, max, unit }: Bounds) {
  return z
    .string()
    .optional()
    .transform((text, context) => {
      const value = parseDecimal(text)
      if (value === undefined) return undefined
      if (value === 'bad') context.addIssue({ code: 'custom', message: `Give a number, like 3.1 or 3,1.` })
      else if (value < min || value > max)
        context.addIssue({ code: 'custom', message: `Give ${min} to ${max} ${unit}.` })
      else return value
      return z.NEVER
    })
}

/** A number that must be given. */
export function requiredDecimal(bounds: Bounds, missing: string) {
  return decimal(bounds).transform((value, context) => {
    if (value !== undefined) return value
    context.addIssue({ code: 'custom', message: missing })
    return z.NEVER
  })
}
