import { useMemo } from 'react'
import { useRouteLoaderData } from 'react-router'
import type { loader as rootLoader } from '~/root'
import { type Show, showIn } from '~core/units/show'
import { metricUnits, type Quantity, type Units } from '~core/units/units'

/** The units of whoever is at this screen. */
export const useUnits = (): Units => useRouteLoaderData<typeof rootLoader>('root')?.units ?? metricUnits

/** Shows quantities in them; stays the same object while they do. */
export function useShow(): Show & { unit: (quantity: Quantity) => string } {
  const units = useUnits()
  const key = JSON.stringify(units)
  // biome-ignore lint/correctness/useExhaustiveDependencies: the units' own text is what they are
  return useMemo(() => Object.assign(showIn(units), { unit: (quantity: Quantity) => units[quantity] }), [key])
}
