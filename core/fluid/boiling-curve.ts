import { type BoilingPair, boilingPoint } from '../physics/moisture/boiling-point'
import { type FluidSpec, fluidOf } from './specs'

export type CurvePoint = { waterPct: number; boilingC: number; bandC: number }

/**
 * Boiling point over water, from 0 % on: for a product's own pair, else for its specification's minima.
 *
 * @returns nothing for a fluid that takes up no water
 */
export function boilingCurve(
  spec: FluidSpec,
  {
    pair,
    points = 61,
    toPct = 6,
    pressureKPa,
  }: { pair?: BoilingPair; points?: number; toPct?: number; pressureKPa?: number } = {},
): CurvePoint[] {
  const { base, dryC, wetC } = fluidOf(spec)
  if (base !== 'glycol' || dryC === undefined || wetC === undefined) return []
  const anchors = pair ?? { dryC, wetC }
  return Array.from({ length: points }, (_, i) => {
    const waterPct = (toPct * i) / (points - 1)
    return { waterPct, ...boilingPoint({ ...anchors, waterPct, pressureKPa }) }
  })
}
