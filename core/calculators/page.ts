import type { Reason } from '../base/decision'
import { type Fault, ImpossibleInput } from '../base/fault'
import type { Show } from '../units/show'
import { readNumber } from '../units/typed-number'
import { fromMetric, metricUnits, type Quantity, quantities, readQuantity, type Units } from '../units/units'
import type { Vehicle } from '../vehicle/schema'
import { numberFault } from '../words/typed-number'
import type { About } from './command/calculator'

type Common = {
  label: string
  hint?: string
  optional?: true
  /** Asked only while another choice stands so; otherwise its first value stands in. */
  when?: readonly [field: string, is: string]
}
/** One input of a page; its name stands in the address. */
export type BenchField =
  | (Common & { kind: 'quantity'; quantity: Quantity; min: number; max: number; initial: number | '' })
  | (Common & { kind: 'number'; unit: string; min: number; max: number; initial: number | '' })
  | (Common & { kind: 'choice'; options: readonly { value: string; label: string }[]; initial: string })
  | (Common & { kind: 'list'; unit: string; min: number; max: number; most: number; initial: string })
  /** Rows like "40 12, 300 25": as many numbers as units with spaces, rows with commas or semicolons. */
  | (Common & {
      kind: 'rows'
      units: readonly [string, string, ...string[]]
      max: readonly number[]
      most: number
      /** Two rows as somebody may type them, for the fault's sentence. */
      example: string
      initial: string
    })

type ValueOf<F extends BenchField> = F extends { kind: 'choice' }
  ? string
  : F extends { kind: 'list' }
    ? number[]
    : F extends { kind: 'rows'; units: infer U }
      ? { -readonly [K in keyof U]: number }[]
      : F extends { optional: true }
        ? number | undefined
        : number
export type BenchFields = Record<string, BenchField>
export type ValuesOf<F extends BenchFields> = { [K in keyof F]: ValueOf<F[K]> }

/** What a result changes in a job's plan. */
export type PlanChange = { tempC?: number; targetOldPct?: number }

/** One calculator with its picture: what it asks, what it makes of it, what that rests on. */
export type BenchPage<F extends BenchFields = BenchFields, R = unknown> = {
  id: string
  name: string
  /** What it answers, in a person's words. */
  question: string
  fields: F
  /** Without a vehicle its picture is half: one of the shop's own is taken until another is picked. */
  wantsVehicle?: true
  about: readonly About[]
  /** What a vehicle gives of the inputs, as they would be typed. */
  startFrom: (vehicle: Vehicle, choice: (name: keyof F) => string) => Partial<Record<keyof F, string>>
  work: (values: ValuesOf<F>) => { result: R; reasons: Reason[] }
  /** The answer in one sentence, in whoever’s units. */
  says: (result: R, values: ValuesOf<F>, show: Show) => string
  /** What carrying it into a plan changes there; nothing but its sentence where absent. */
  change?: (values: ValuesOf<F>, result: R) => PlanChange
}

/** Define a page so that its inputs' types follow from its fields. */
export const benchPage = <const F extends BenchFields, R>(page: BenchPage<F, R>): BenchPage<F, R> => page

export type Typed = Record<string, string>
export type Worked<F extends BenchFields, R> =
  | { ok: true; values: ValuesOf<F>; result: R; reasons: Reason[] }
  | { ok: false; faults: Fault[] }

/** Read what was typed and work it out: an answer, or a fault beside each field. */
export function workBench<F extends BenchFields, R>(
  page: BenchPage<F, R>,
  typed: Typed,
  units: Units,
): Worked<F, R> {
  const values: Record<string, unknown> = {}
  const faults: Fault[] = []
  for (const [name, field] of Object.entries(page.fields)) {
    const asked = isAsked(field, typed)
    const read = readField(
      field,
      asked ? (typed[name] ?? '') : String(field.initial),
      asked ? units : metricUnits,
    )
    if ('fault' in read) faults.push({ path: name, message: read.fault })
    else values[name] = read.value
  }
  if (faults.length > 0) return { ok: false, faults }
  try {
    // Every field was read by its own kind just above.
    const complete = values as ValuesOf<F>
    return { ok: true, values: complete, ...page.work(complete) }
  } catch (error) {
    if (!(error instanceof ImpossibleInput)) throw error
    const path = error.path.split('.')[0] ?? ''
    return { ok: false, faults: [{ path: path in page.fields ? path : '', message: error.message }] }
  }
}

/** Whether a field is asked, as the others stand. */
export const isAsked = ({ when }: BenchField, typed: Typed): boolean => !when || typed[when[0]] === when[1]

type Read = { value: unknown } | { fault: string }
function readField(field: BenchField, text: string, units: Units): Read {
  if (field.kind === 'choice') {
    const found = field.options.find(({ value }) => value === text)
    return found ? { value: found.value } : { fault: 'Pick one of these.' }
  }
  if (text.trim() === '' && field.optional) return { value: field.kind === 'rows' ? [] : undefined }
  if (field.kind === 'list') return readList(field, text)
  if (field.kind === 'rows') return readRows(field, text)
  if (text.trim() === '') return { fault: numberFault(text) }
  const quantity = field.kind === 'quantity' ? field.quantity : undefined
  const unit = quantity === undefined ? '' : units[quantity]
  const value = quantity === undefined ? readNumber(text) : readQuantity(text, quantity, unit)?.metric
  if (value === undefined) return { fault: numberFault(text) }
  if (value < field.min || value > field.max) return { fault: `Give ${boundsText(field, units)}.` }
  return { value }
}

function readList(field: Extract<BenchField, { kind: 'list' }>, text: string): Read {
  const values = text
    .split(/[;\s]+/)
    .filter(Boolean)
    .map(readNumber)
  const good = values.filter((value) => value !== undefined && value >= field.min && value <= field.max)
  if (good.length !== values.length || good.length === 0 || good.length > field.most)
    return {
      fault: `Give 1 to ${field.most} numbers from ${field.min} to ${field.max} ${field.unit}, with spaces between.`,
    }
  return { value: good }
}

function readRows(field: Extract<BenchField, { kind: 'rows' }>, text: string): Read {
  const bounds = field.units.map((unit, i) => `${unit} up to ${field.max[i]}`).join(', ')
  const fault = `Give rows like ${field.example}: ${bounds}; at most ${field.most} of them.`
  const rows = text.split(/[,;]\s*(?=\S)/).map((row) => row.trim().split(/\s+/).map(readNumber))
  const good = rows.every(
    (row) =>
      row.length === field.units.length &&
      row.every((value, i) => value !== undefined && value >= 0 && value <= (field.max[i] ?? 0)),
  )
  return good && rows.length <= field.most ? { value: rows } : { fault }
}

/** The bounds in the units that are typed, rounded inwards. */
function boundsText(field: Extract<BenchField, { kind: 'quantity' | 'number' }>, units: Units): string {
  if (field.kind === 'number') return `${field.min} to ${field.max} ${field.unit}`.trim()
  const unit = units[field.quantity]
  const [low, high] = [field.min, field.max].map((each) => fromMetric(field.quantity, each, unit))
  const digits = (value: number, round: (x: number) => number) =>
    Number((round(Number((value * 1000).toPrecision(9))) / 1000).toPrecision(6))
  return `${digits(low ?? 0, Math.ceil)} to ${digits(high ?? 0, Math.floor)} ${unit}`
}

/**
 * What the fields hold at first: the address, else what the vehicle gives, else the page's own example. A bare number
 * in the address is metric, so that a shared address means the same to everybody; the fields hold the person's units.
 */
export function typedFrom(
  page: BenchPage,
  address: (name: string) => string | null,
  start: Typed,
  units: Units,
): Typed {
  return Object.fromEntries(
    Object.entries(page.fields).map(([name, field]) => {
      const text = address(name) ?? start[name] ?? String(field.initial)
      return [name, field.kind === 'quantity' ? inUnit(text, field.quantity, units) : text]
    }),
  )
}

function inUnit(text: string, quantity: Quantity, units: Units): string {
  const read = readQuantity(text, quantity, quantities[quantity].metric)
  const unit = units[quantity]
  // What cannot be read stays as it was typed, for its fault to speak of.
  if (!read) return text
  if (read.unit === unit) return String(read.value)
  return String(Number(fromMetric(quantity, read.metric, unit).toPrecision(5)))
}

/** What is typed, as the address keeps it: with its unit wherever that is not the metric one. */
export function addressOf(page: BenchPage, typed: Typed, units: Units): Typed {
  return Object.fromEntries(
    Object.entries(page.fields).map(([name, field]) => {
      const text = (typed[name] ?? '').trim()
      if (field.kind !== 'quantity' || units[field.quantity] === quantities[field.quantity].metric)
        return [name, text]
      return [name, readNumber(text) === undefined ? text : `${text} ${units[field.quantity]}`]
    }),
  )
}
