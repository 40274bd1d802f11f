import { differenceFromMetric, fromMetric, type Quantity, type Units } from './units'

/** Decimals that a person reads in each unit; more would be figures nobody measured. */
const decimals: Record<string, number> = {
  bar: 2,
  psi: 1,
  mm: 2,
  in: 3,
  m: 2,
  ft: 1,
  // A bleeder shears: half a newton metre counts.
  N·m: 1,
  lb·ft: 1,
  'fl oz/min': 1,
}

/** How quantities are shown to somebody: with their unit, or as the number alone. */
export type Show = {
  (quantity: Quantity, metric: number): string
  number: (quantity: Quantity, metric: number) => string
  /** The number itself, unrounded, for a chart. */
  value: (quantity: Quantity, metric: number) => number
  /** Of a difference: 10 °C apart, not 10 °C hot. */
  apart: (quantity: Quantity, metric: number) => string
}

/** A bubble, or an ounce of a pull, is little: what is little is told finer. */
const finely: Record<string, (size: number) => number> = {
  'fl oz': (size) => (size < 0.095 ? 3 : size < 0.95 ? 2 : 1),
  mL: (size) => (size < 0.95 ? 2 : size < 9.95 ? 1 : 0),
}

const rounded = (value: number, unit: string): string => {
  const fine = finely[unit]?.(Math.abs(value)) ?? decimals[unit]
  const places = fine ?? (Math.abs(value) < 9.95 && unit !== '°C' && unit !== '°F' ? 1 : 0)
  return value
    .toFixed(places)
    .replace(/^-(?=0(\.0*)?$)/, '')
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '')
    .replace('-', '−')
}

/** Show quantities in these units. */
export function showIn(units: Units): Show {
  const number = (quantity: Quantity, metric: number) =>
    rounded(fromMetric(quantity, metric, units[quantity]), units[quantity])
  const show = (quantity: Quantity, metric: number) => `${number(quantity, metric)} ${units[quantity]}`
  const apart = (quantity: Quantity, metric: number) =>
    `${rounded(differenceFromMetric(quantity, metric, units[quantity]), units[quantity])} ${units[quantity]}`
  const value = (quantity: Quantity, metric: number) => fromMetric(quantity, metric, units[quantity])
  return Object.assign(show, { number, value, apart })
}
