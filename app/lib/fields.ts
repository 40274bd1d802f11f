import { z } from 'zod'
import { readNumber } from '~core/units/typed-number'
import { fromMetric, type Quantity, quantities, readQuantity } from '~core/units/units'
import { numberFault } from '~core/words/typed-number'

/** A number typed by a person; an empty field is undefined. */
export function parseDecimal(text = ''): number | undefined | 'bad' {
  return text.trim() === '' ? undefined : (readNumber(text) ?? 'bad')
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
      if (value === 'bad') context.addIssue({ code: 'custom', message: numberFault(text ?? '') })
      else if (value < min || value > max)
        context.addIssue({ code: 'custom', message: `Give ${min} to ${max} ${unit}.` })
      else return value
      return z.NEVER
    })
}

const UNIT_SUFFIX = '-unit'

/** The name of the hidden field that says in which unit another was typed. */
export const unitFieldOf = (name: string): string => `${name}${UNIT_SUFFIX}`

/**
 * A form whose bare numbers have got the unit that stood beside their field: whoever reads it then needs not know who
 * typed it, nor in which units they saw the page.
 */
export function withUnits(form: FormData): FormData {
  const out = new FormData()
  for (const [name, value] of form) {
    // Said with its number from here on; beside one of a list its name would read as a place of its own in it.
    if (name.endsWith(UNIT_SUFFIX) && form.has(name.slice(0, -UNIT_SUFFIX.length))) continue
    const unit = form.get(unitFieldOf(name))
    const bare = typeof value === 'string' && typeof parseDecimal(value) === 'number'
    out.append(name, bare && typeof unit === 'string' ? `${value} ${unit}` : value)
  }
  return out
}

/** Longer than any number with its unit; what is longer was not typed by a person. */
const LONGEST_TYPED = 40

/** What of it was typed in another unit than the metric one, for the record. */
export function typedIn(form: FormData): Record<string, string> | undefined {
  const typed = [...withUnits(form)].flatMap(([name, value]): [string, string][] =>
    form.has(unitFieldOf(name)) &&
    typeof value === 'string' &&
    value.trim() !== '' &&
    Math.max(name.length, value.length) <= LONGEST_TYPED
      ? [[name, value.trim()]]
      : [],
  )
  return typed.length > 0 ? Object.fromEntries(typed) : undefined
}

type Limits = { min: number; max: number }

/** A quantity that may be left empty, read with its unit; a bare number is metric. Bounds and answer are metric. */
export function quantityField(quantity: Quantity, { min, max }: Limits) {
  const { metric } = quantities[quantity]
  return z
    .string()
    .optional()
    .transform((text, context) => {
      if ((text?.trim() ?? '') === '') return undefined
      const read = readQuantity(text ?? '', quantity, metric)
      if (!read) context.addIssue({ code: 'custom', message: numberFault(text ?? '') })
      else if (read.metric < min - 1e-9 || read.metric > max + 1e-9) {
        const bound = (value: number) => Number(fromMetric(quantity, value, read.unit).toPrecision(4))
        context.addIssue({ code: 'custom', message: `Give ${bound(min)} to ${bound(max)} ${read.unit}.` })
      } else return read.metric
      return z.NEVER
    })
}

/** A quantity that must be given. */
export function requiredQuantity(quantity: Quantity, limits: Limits, missing: string) {
  return quantityField(quantity, limits).transform((value, context) => {
    if (value !== undefined) return value
    context.addIssue({ code: 'custom', message: missing })
    return z.NEVER
  })
}
