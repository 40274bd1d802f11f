import { useMemo } from 'react'
import { useRouteLoaderData } from 'react-router'
import type { loader as rootLoader } from '~/root'
import { type Show, showIn } from '~core/units/show'
import { fromMetric, metricUnits, type Quantity, readQuantity, type Units } from '~core/units/units'

/** The units of whoever is at this screen. */
export const useUnits = (): Units => useRouteLoaderData<typeof rootLoader>('root')?.units ?? metricUnits

/** Shows quantities in them; stays the same object while they do. */
/** A metric value as a field holds it at first: in the units here, five figures. */
export function useFieldText(): (quantity: Quantity, metric: number | undefined) => string | undefined {
  const units = useUnits()
  return (quantity, metric) =>
    metric === undefined
      ? undefined
      : String(Number(fromMetric(quantity, metric, units[quantity]).toPrecision(5)))
}

/** An amount of fluid as it was typed: in mL, and with its unit for the record where that was another. */
export type Amount = { ml: number; typed?: { ml: string } }
const MOST_ML = 20_000

/** Reads an amount of fluid in the unit here; undefined where it is none, or more than there can be. */
export function useReadAmount(): (text: string) => Amount | undefined {
  const unit = useUnits().volume
  return (text) => {
    const read = readQuantity(text, 'volume', unit)
    if (!read || read.metric < 0 || read.metric > MOST_ML) return undefined
    return read.unit === 'mL'
      ? { ml: read.metric }
      : { ml: read.metric, typed: { ml: `${read.value} ${read.unit}` } }
  }
}

export function useShow(): Show & { unit: (quantity: Quantity) => string } {
  const units = useUnits()
  const key = JSON.stringify(units)
  // biome-ignore lint/correctness/useExhaustiveDependencies: the units' own text is what they are
  return useMemo(() => Object.assign(showIn(units), { unit: (quantity: Quantity) => units[quantity] }), [key])
}
