import { type Fact, fact, type Params, type Reason } from '../base/decision'
import { type Fault, ImpossibleInput } from '../base/fault'
import { showIn } from '../units/show'
import { readNumber } from '../units/typed-number'
import {
  fromMetric,
  metricUnits,
  type Quantity,
  quantities,
  readQuantity,
  toMetric,
  type Units,
} from '../units/units'
import type { Vehicle } from '../vehicle/schema'
import { sayEnglish } from '../words'
import { numberFault } from '../words/typed-number'

type Common = {
  /** The code of what it is called, where several pages ask the same; left out, page and field together. */
  says?: string
  /** Something more is said of it, with these numbers. */
  hint?: true | Params
  optional?: true
  /** Asked only while another choice stands so; otherwise its first value stands in. */
  when?: readonly [field: string, is: string]
}
/** One input of a page; its name stands in the address. */
export type BenchField =
  | (Common & { kind: 'quantity'; quantity: Quantity; min: number; max: number; initial: number | '' })
  | (Common & { kind: 'number'; unit: string; min: number; max: number; initial: number | '' })
  /** Its options are called by codes of their own, or, a fluid's kind, by their own names. */
  | (Common & { kind: 'choice'; options: readonly string[]; named?: true; initial: string })
  | (Common & { kind: 'list'; quantity: Quantity; min: number; max: number; most: number; initial: string })
  /** Rows like "40 12, 300 25": as many numbers as columns with spaces, rows with commas or semicolons. */
  | (Common & {
      kind: 'rows'
      columns: readonly [Column, ...Column[]]
      most: number
      /** Two rows as somebody may type them, for the fault's sentence. */
      example: string
      initial: string
    })
/** One number of each row: an amount, or how many. */
export type Column = { quantity?: Quantity; min?: number; max: number }

type ValueOf<F extends BenchField> = F extends { kind: 'choice' }
  ? string
  : F extends { kind: 'list' }
    ? number[]
    : F extends { kind: 'rows'; columns: infer U }
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
  /** What it and its fields are called, and the question it answers, are said by codes made of this. */
  id: string
  fields: F
  /** Without a vehicle its picture is half: one of the shop's own is taken until another is picked. */
  wantsVehicle?: true
  /** What it rests on, by the codes of formula, source, and where they hold. */
  about: readonly string[]
  /** What a vehicle gives of the inputs, as they would be typed. */
  startFrom: (vehicle: Vehicle, choice: (name: keyof F) => string) => Partial<Record<keyof F, string>>
  work: (values: ValuesOf<F>) => { result: R; reasons: Reason[] }
  /** The answer, to be said in one sentence. */
  says: (result: R, values: ValuesOf<F>) => Fact
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
    return {
      ok: false,
      faults: [
        {
          path: path in page.fields ? path : '',
          message: error.fact ? sayEnglish(showIn(units))(error.fact) : error.message,
        },
      ],
    }
  }
}

/** What a field is called, and what more is said of it; what one of its options is called. */
export const fieldFact = (page: string, name: string, { says }: BenchField): Fact =>
  fact(says ?? `bench-${page}-${name}`)
export const hintFact = (page: string, name: string, { says, hint }: BenchField): Fact | undefined =>
  hint && fact(`${says ?? `bench-${page}-${name}`}-hint`, hint === true ? {} : hint)
export const optionFact = (page: string, name: string, { says }: BenchField, option: string): Fact =>
  fact(`${says ?? `bench-${page}-${name}`}-${option}`)
export const pageFact = (page: string): Fact => fact(`bench-${page}`)
export const questionFact = (page: string): Fact => fact(`bench-${page}-question`)

/** Whether a field is asked, as the others stand. */
export const isAsked = ({ when }: BenchField, typed: Typed): boolean => !when || typed[when[0]] === when[1]

type Read = { value: unknown } | { fault: string }
function readField(field: BenchField, text: string, units: Units): Read {
  const say = sayEnglish(showIn(units))
  if (field.kind === 'choice')
    return field.options.includes(text) ? { value: text } : { fault: say(fact('bench-pick-one')) }
  if (text.trim() === '' && field.optional) return { value: field.kind === 'rows' ? [] : undefined }
  if (field.kind === 'list') {
    const values = text
      .split(/[;\s]+/)
      .filter(Boolean)
      .map((each) => readAmount(each, field, units))
    return values.length > 0 && values.length <= field.most && values.every((each) => each !== undefined)
      ? { value: values }
      : { fault: say(fact('bench-list-fault', { most: field.most, bounds: boundsText(field, units) })) }
  }
  if (field.kind === 'rows') return readRows(field, text, units)
  if (text.trim() === '') return { fault: numberFault(text) }
  const quantity = field.kind === 'quantity' ? field.quantity : undefined
  const value =
    quantity === undefined ? readNumber(text) : readQuantity(text, quantity, units[quantity])?.metric
  if (value === undefined) return { fault: numberFault(text) }
  if (value < field.min || value > field.max)
    return { fault: say(fact('bench-out-of-bounds', { bounds: boundsText(field, units) })) }
  return { value }
}

type Bounds = { quantity?: Quantity; unit?: string; min?: number; max: number }

/** One number as it is typed, in metric; undefined where it is none, or out of bounds. */
function readAmount(text: string, { quantity, min = 0, max }: Bounds, units: Units): number | undefined {
  const typed = readNumber(text)
  if (typed === undefined) return undefined
  const value = quantity === undefined ? typed : toMetric(quantity, typed, units[quantity])
  return value >= min * (1 - 1e-9) && value <= max * (1 + 1e-9) ? value : undefined
}

function readRows(field: Extract<BenchField, { kind: 'rows' }>, text: string, units: Units): Read {
  const rows = text.split(ROWS).map((row) => {
    const numbers = row.trim().split(/\s+/)
    return numbers.length === field.columns.length
      ? field.columns.map((column, i) => readAmount(numbers[i] ?? '', column, units))
      : [undefined]
  })
  if (rows.length <= field.most && rows.flat().every((value) => value !== undefined)) return { value: rows }
  const bounds = field.columns.map((column) => boundsText(column, units)).join(', ')
  const example = rowsIn(field.example, field, units, roughly)
  return {
    fault: sayEnglish(showIn(units))(fact('bench-rows-fault', { example, bounds, most: field.most })),
  }
}
const ROWS = /[,;]\s*(?=\S)/

/** The bounds in the units that are typed, rounded inwards. */
function boundsText({ quantity, unit: named = '', min = 0, max }: Bounds, units: Units): string {
  if (quantity === undefined) return `${min} to ${max} ${named}`.trim()
  const unit = units[quantity]
  const [low, high] = [min, max].map((each) => fromMetric(quantity, each, unit))
  const digits = (value: number, round: (x: number) => number) =>
    Number((round(Number((value * 1000).toPrecision(9))) / 1000).toPrecision(6))
  return `${digits(low ?? 0, Math.ceil)} to ${digits(high ?? 0, Math.floor)} ${unit}`
}

/** Metric rows, with every amount in the person's units. */
const rowsIn = (
  text: string,
  { columns }: Extract<BenchField, { kind: 'rows' }>,
  units: Units,
  convert = shown,
) =>
  text
    .split(ROWS)
    .map((row) =>
      row
        .trim()
        .split(/\s+/)
        .map((each, i) => convert(each, columns[i]?.quantity, units))
        .join(' '),
    )
    .join(', ')

/** A metric number in the person's unit, to five figures; what is none stays as it is, for its fault to speak of. */
function shown(text: string, quantity: Quantity | undefined, units: Units): string {
  const value = readNumber(text)
  return value === undefined || quantity === undefined || units[quantity] === quantities[quantity].metric
    ? text
    : plain(fromMetric(quantity, value, units[quantity]), 5)
}
/** To three figures, as an example. */
function roughly(text: string, quantity: Quantity | undefined, units: Units): string {
  const exact = shown(text, quantity, units)
  return exact === text ? text : plain(Number(exact), 3)
}
/** The way back, to seven figures. */
function metric(text: string, quantity: Quantity | undefined, units: Units): string {
  const value = readNumber(text)
  return value === undefined || quantity === undefined || units[quantity] === quantities[quantity].metric
    ? text
    : plain(toMetric(quantity, value, units[quantity]), 7)
}
/** As a person types it: so many figures, six decimals at most, no exponent. */
const plain = (value: number, figures: number) =>
  String(Number(Number(value.toPrecision(figures)).toFixed(6)))

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
      if (field.kind === 'quantity') return [name, inUnit(text, field.quantity, units)]
      if (field.kind === 'list') return [name, listIn(text, field.quantity, units, shown)]
      return [name, field.kind === 'rows' ? rowsIn(text, field, units) : text]
    }),
  )
}

const listIn = (text: string, quantity: Quantity, units: Units, convert: typeof shown) =>
  text
    .split(/[;\s]+/)
    .filter(Boolean)
    .map((each) => convert(each, quantity, units))
    .join(' ')

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
      if (field.kind === 'list') return [name, listIn(text, field.quantity, units, metric)]
      if (field.kind === 'rows') return [name, rowsIn(text, field, units, metric)]
      if (field.kind !== 'quantity' || units[field.quantity] === quantities[field.quantity].metric)
        return [name, text]
      return [name, readNumber(text) === undefined ? text : `${text} ${units[field.quantity]}`]
    }),
  )
}
