import type { BleederOpening } from '../physics/hydraulics/bleeder'
import { densityKgM3 } from '../physics/hydraulics/density'
import { flowMlPerMin, headKPa, type Liquid } from '../physics/hydraulics/flow'
import type { TubeSegment } from '../physics/hydraulics/tube'
import { viscosityMm2PerS } from '../physics/hydraulics/viscosity'
import type { MethodContext } from './technique'

/** The fluid of this work at the shop's temperature. */
export const liquidAt = ({ fluid, tempC }: Pick<MethodContext, 'fluid' | 'tempC'>): Liquid => ({
  mm2PerS: viscosityMm2PerS(fluid.typical, tempC),
  densityKgM3: densityKgM3(fluid, tempC),
})

/** Flow through a run and its bleeder at a driving pressure, mL/min. */
export const runFlow = (
  run: readonly TubeSegment[],
  drivingKPa: number,
  liquid: Liquid,
  { passage, holeMm }: BleederOpening,
): number => flowMlPerMin([...run, passage], drivingKPa, liquid, holeMm)

/**
 * Minutes to push each corner's fluid through its own run at a driving pressure, the bleeder's passage and hole
 * included. The control unit's inner passages are not in the file and count as wide open.
 */
export function cornersMinutes(drivingKPa: number, context: MethodContext): number[] {
  const liquid = liquidAt(context)
  return context.corners.map(({ segments, throughMl }) =>
    throughMl > 0 ? throughMl / runFlow(segments, drivingKPa, liquid, context.unknowns.bleeder) : 0,
  )
}

/** The same for every corner, one after the other. */
export const minutesInTurn = (drivingKPa: number, context: MethodContext): number =>
  cornersMinutes(drivingKPa, context).reduce((sum, minutes) => sum + minutes, 0)

/** Reservoir above the bleeder. @source common practice */
export const GRAVITY_HEAD_M = 0.6

/** That height as driving pressure. */
export const gravityKPa = (context: MethodContext): number =>
  headKPa(GRAVITY_HEAD_M, densityKgM3(context.fluid, context.tempC))
