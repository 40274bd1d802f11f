import { z } from 'zod'
import { readNumber } from './typed-number'

/**
 * What people see quantities in. Inside, everything is metric; this is the one place that converts.
 *
 * Each unit is so many of the quantity's own metric unit, and where its zero lies elsewhere, that far off.
 *
 * @source NIST SP 811 for the factors, exact by definition but for the rounding of a double
 */
const GALLON_ML = 3785.411784
const POUND_FORCE_N = 4.4482216152605
const INCH_MM = 25.4

export const quantities = {
  volume: { metric: 'mL', units: { mL: { size: 1 }, 'fl oz': { size: GALLON_ML / 128 } } },
  pressure: {
    metric: 'kPa',
    units: { kPa: { size: 1 }, bar: { size: 100 }, psi: { size: (POUND_FORCE_N / INCH_MM ** 2) * 1000 } },
  },
  temperature: { metric: '°C', units: { '°C': { size: 1 }, '°F': { size: 5 / 9, zeroAt: -160 / 9 } } },
  torque: {
    metric: 'N·m',
    units: { N·m: { size: 1 }, lb·ft: { size: (POUND_FORCE_N * 12 * INCH_MM) / 1000 } },
  },
  distance: { metric: 'km', units: { km: { size: 1 }, mi: { size: 1.609344 } } },
  length: { metric: 'mm', units: { mm: { size: 1 }, in: { size: INCH_MM } } },
  run: { metric: 'm', units: { m: { size: 1 }, ft: { size: (12 * INCH_MM) / 1000 } } },
  flow: { metric: 'mL/min', units: { 'mL/min': { size: 1 }, 'fl oz/min': { size: GALLON_ML / 128 } } },
} as const satisfies Record<
  string,
  { metric: string; units: Record<string, { size: number; zeroAt?: number }> }
>

export type Quantity = keyof typeof quantities
export type UnitOf<Q extends Quantity> = keyof (typeof quantities)[Q]['units'] & string
/** One unit for every quantity. */
export type Units = { [Q in Quantity]: UnitOf<Q> }

export const quantityIds = Object.keys(quantities) as Quantity[]
export const unitsOf = <Q extends Quantity>(quantity: Q): [UnitOf<Q>, ...UnitOf<Q>[]] =>
  Object.keys(quantities[quantity].units) as [UnitOf<Q>, ...UnitOf<Q>[]]
export const isUnitOf = (quantity: Quantity, unit: string): boolean =>
  Object.hasOwn(quantities[quantity].units, unit)

export const metricUnits: Units = {
  volume: 'mL',
  pressure: 'kPa',
  temperature: '°C',
  torque: 'N·m',
  distance: 'km',
  length: 'mm',
  run: 'm',
  flow: 'mL/min',
}
export const usUnits: Units = {
  volume: 'fl oz',
  pressure: 'psi',
  temperature: '°F',
  torque: 'lb·ft',
  distance: 'mi',
  length: 'in',
  run: 'ft',
  flow: 'fl oz/min',
}

const named = <Q extends Quantity>(quantity: Q) => z.enum(unitsOf(quantity), 'pick one of these')
/** Units as they are chosen and kept. */
export const unitsSchema: z.ZodType<Units> = z.object({
  volume: named('volume'),
  pressure: named('pressure'),
  temperature: named('temperature'),
  torque: named('torque'),
  distance: named('distance'),
  length: named('length'),
  run: named('run'),
  flow: named('flow'),
})

type Unit = { size: number; zeroAt?: number }
const unitNamed = (quantity: Quantity, unit: string): Unit | undefined =>
  (quantities[quantity].units as Record<string, Unit>)[unit]

/** A value in a unit as metric. @throws RangeError for a unit the quantity does not have */
export function toMetric(quantity: Quantity, value: number, unit: string): number {
  const { size, zeroAt = 0 } = known(quantity, unit)
  return value * size + zeroAt
}

/** A metric value in a unit. @throws RangeError for a unit the quantity does not have */
export function fromMetric(quantity: Quantity, value: number, unit: string): number {
  const { size, zeroAt = 0 } = known(quantity, unit)
  return (value - zeroAt) / size
}

/** A difference, where only the size of the unit counts: 10 °C apart is 18 °F apart. */
export const differenceFromMetric = (quantity: Quantity, value: number, unit: string): number =>
  value / known(quantity, unit).size

function known(quantity: Quantity, unit: string): Unit {
  const found = unitNamed(quantity, unit)
  if (!found) throw new RangeError(`${quantity} is not measured in ${unit}`)
  return found
}

/** What was typed with its unit, like "15 psi"; a bare number is in the unit given. Undefined where it is neither. */
export function readQuantity(
  text: string,
  quantity: Quantity,
  usual: string,
): { metric: number; value: number; unit: string } | undefined {
  const match = /^(-?\d{1,9}(?:[.,]\d{1,6})?)\s*([^\d\s-].*)?$/.exec(text.trim())
  const value = match?.[1] === undefined ? undefined : readNumber(match[1])
  if (!match || value === undefined) return undefined
  const unit =
    match[2] === undefined ? usual : unitsOf(quantity).find((each) => sameUnit(each, match[2] ?? ''))
  if (unit === undefined) return undefined
  return { metric: toMetric(quantity, value, unit), value, unit }
}

/** People leave out signs and spaces: "C" is °C, "floz" is fl oz. */
const plain = (unit: string) => unit.toLowerCase().replace(/[°·\s.]/g, '')
const sameUnit = (a: string, b: string) => plain(a) === plain(b)
