import { flowMlPerMin, headKPa } from '../hydraulics/flow'
import { viscosityMm2PerS } from '../hydraulics/viscosity'
import type { Corner, MethodContext } from './method'

/** Cross hole of a common bleeder; the vehicle file does not state it. @source from memory */
const BLEEDER_HOLE_MM = 1.5

/**
 * Minutes to push a corner's fluid through its own run at a driving pressure, bleeder's hole included.
 * The control unit's inner passages are not in the file and count as wide open.
 */
export function cornerMinutes(corner: Corner, drivingKPa: number, { fluid, tempC }: MethodContext): number {
  if (corner.throughMl <= 0) return 0
  const liquid = { mm2PerS: viscosityMm2PerS(fluid.typical, tempC), densityKgM3: fluid.densityKgM3 }
  const segments = corner.run?.lines.flatMap((line) => line.segments) ?? []
  return corner.throughMl / flowMlPerMin(segments, drivingKPa, liquid, BLEEDER_HOLE_MM)
}

/** The same for every corner, one after the other. */
export const minutesInTurn = (drivingKPa: number, context: MethodContext): number =>
  context.corners.reduce((sum, corner) => sum + cornerMinutes(corner, drivingKPa, context), 0)

/** Reservoir above the bleeder, common practice of 0.6 m, as driving pressure. */
export const gravityKPa = (context: MethodContext): number => headKPa(0.6, context.fluid.densityKgM3)
