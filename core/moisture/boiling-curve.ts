import { type FluidSpec, fluidOf } from '../fluids'
import { boilingPoint } from './boiling-point'

export type CurvePoint = { waterPct: number; boilingC: number; bandC: number }

/**
 * Boiling point over water for a specification's minima, 0 to 6 %.
 *
 * @returns nothing for a fluid that takes up no water
 */
export function boilingCurve(spec: FluidSpec, points = 61): CurvePoint[] {
  const { base, dryC, wetC } = fluidOf(spec)
  if (base !== 'glycol' || dryC === undefined || wetC === undefined) return []
  return Array.from({ length: points }, (_, i) => {
    const waterPct = (6 * i) / (points - 1)
    return { waterPct, ...boilingPoint({ dryC, wetC, waterPct }) }
  })
}
