import { z } from 'zod'
import { parseDecimal, quantityField } from '~/lib/fields'
import type { TakenReading } from '~core/fluid/readings'
import { type Product, productSchema, readingPlaces } from '~core/fluid/readings'
import { type TesterId, testerIds, testerOf } from '~core/fluid/testers'
import type { Asks } from '~core/fluid/testers/tester'
import { fromMetric, quantities, readQuantity } from '~core/units/units'
import { numberFault } from '~core/words/typed-number'

export const NO_READING = 'none'

type Field = string
type Issue = (path: Field, message: string) => void

/** The names of one reading's fields; a second reading's end in 2. */
export const readingNames = (nth: '' | '2') =>
  ({ tester: `tester${nth}`, value: `value${nth}`, at: `at${nth}`, instrument: `instrument${nth}` }) as const

/** Every field of the form, as text. */
export type TestFields = Record<
  'tester' | 'value' | 'at' | 'tester2' | 'value2' | 'at2' | 'why' | 'productName' | 'dryC' | 'wetC' | 'tool',
  string
>

const text = z.string().optional()
const typedSchema = z.object({
  tester: z.union([z.enum(testerIds), z.literal(NO_READING)], 'Pick a tester, or that nothing was measured.'),
  value: text,
  at: text,
  instrument: text,
  tester2: z.enum(testerIds).optional(),
  value2: text,
  at2: text,
  instrument2: text,
  why: z.string().max(2000, 'At most 2000 characters.').optional(),
  productName: z.string().trim().max(80, 'At most 80 characters.').optional(),
  dryC: quantityField('temperature', { min: 150, max: 370 }),
  wetC: quantityField('temperature', { min: 100, max: 300 }),
  tool: z.string().max(200, 'At most 200 characters.').optional(),
})

export type Tested = {
  readings: (TakenReading & { byInstrument?: true })[]
  product?: Product
  notTakenWhy?: string
  tool: string
}

/** Readings with their places, or why there is none; each read as its tester shows it. */
export const testFormSchema = typedSchema.transform((typed, context): Tested => {
  const issue: Issue = (path, message) => context.addIssue({ code: 'custom', path: [path], message })
  const product = productOf(typed, issue)
  const rest = { product, tool: typed.tool ?? '' }
  if (typed.tester === NO_READING) {
    if (!typed.why?.trim()) issue('why', 'Say why no reading was taken.')
    return { ...rest, readings: [], notTakenWhy: typed.why }
  }
  const first = readingOf(typed.tester, typed, '', issue)
  const second = typed.tester2 && readingOf(typed.tester2, typed, '2', issue)
  return { ...rest, readings: [first, second].flatMap((reading) => reading ?? []) }
})

type Typed = z.output<typeof typedSchema>

function readingOf(
  tester: TesterId,
  typed: Typed,
  nth: '' | '2',
  issue: Issue,
): Tested['readings'][number] | undefined {
  const names = readingNames(nth)
  const at = readingPlaces.find((place) => place === typed[names.at])
  if (!at) issue(names.at, 'Say where the sample was taken.')
  const read = shownValue(testerOf(tester).asks, typed[names.value])
  if (typeof read === 'string') issue(names.value, read)
  return at && typeof read === 'number'
    ? { tester, value: read, at, ...(typed[names.instrument] === 'yes' && { byInstrument: true as const }) }
    : undefined
}

/** The value, or what is wrong with it. */
function shownValue(asks: Asks, typed = ''): number | string {
  if (typed.trim() === '')
    return asks.of === 'number' ? 'Give what the tester showed.' : 'Pick what it showed.'
  if (asks.of !== 'number') {
    const value = Number(typed)
    const known = asks.of === 'colour' || asks.options.some((option) => option.value === value)
    return known && Number.isFinite(value) ? value : 'Pick what it showed.'
  }
  const { quantity, min, max, unit } = asks
  const read = quantity ? readQuantity(typed, quantity, quantities[quantity].metric) : undefined
  const value = quantity ? read?.metric : parseDecimal(typed)
  if (typeof value !== 'number') return numberFault(typed)
  if (value >= min - 1e-9 && value <= max + 1e-9) return value
  const bound = (metric: number) =>
    quantity && read ? Number(fromMetric(quantity, metric, read.unit).toPrecision(4)) : metric
  return `Give ${bound(min)} to ${bound(max)} ${read?.unit ?? unit}.`
}

/** A product's own figures come all together, or not at all. */
function productOf({ productName, dryC, wetC }: Typed, issue: Issue): Product | undefined {
  if (!productName && dryC === undefined && wetC === undefined) return undefined
  const read = productSchema.safeParse({ name: productName ?? '', dryC, wetC })
  if (!read.success) {
    for (const { path, message } of read.error.issues)
      issue(
        path[0] === 'name' ? 'productName' : String(path[0]),
        `${message[0]?.toUpperCase()}${message.slice(1)}.`,
      )
    return undefined
  }
  if (read.data.wetC <= read.data.dryC) return read.data
  issue('wetC', 'The wet boiling point cannot be above the dry one.')
  return undefined
}
