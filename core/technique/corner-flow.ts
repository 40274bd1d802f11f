import type { BleederOpening } from '../physics/hydraulics/bleeder'
import { densityKgM3 } from '../physics/hydraulics/density'
import { flowMlPerMin, headKPa, type Liquid } from '../physics/hydraulics/flow'
import type { TubeSegment } from '../physics/hydraulics/tube'
import { viscosityMm2PerS } from '../physics/hydraulics/viscosity'
import { flowsTogether } from './open-network'
import type { TechniqueContext } from './technique'

/** The fluid of this work at the shop's temperature. */
export const liquidAt = ({ fluid, tempC }: Pick<TechniqueContext, 'fluid' | 'tempC'>): Liquid => ({
  mm2PerS: viscosityMm2PerS(fluid.typical, tempC),
  densityKgM3: densityKgM3(fluid, tempC),
})

/** Flow through a route and its bleeder at a driving pressure, mL/min. */
export const routeFlow = (
  segments: readonly TubeSegment[],
  drivingKPa: number,
  liquid: Liquid,
  { passage, holeMm }: BleederOpening,
): number => flowMlPerMin([...segments, passage], drivingKPa, liquid, holeMm)

/**
 * Minutes to push each corner's fluid through its own route at a driving pressure, the bleeder's passage and hole
 * included. The control unit's inner passages are not in the file and count as wide open.
 */
export function cornersMinutes(drivingKPa: number, context: TechniqueContext): number[] {
  const liquid = liquidAt(context)
  return context.corners.map(({ segments, throughMl }) =>
    throughMl > 0 ? throughMl / routeFlow(segments, drivingKPa, liquid, context.unknowns.bleeder) : 0,
  )
}

/** The same for every corner, one after the other. */
export const minutesInTurn = (drivingKPa: number, context: TechniqueContext): number =>
  cornersMinutes(drivingKPa, context).reduce((sum, minutes) => sum + minutes, 0)

/**
 * Minutes where several run at once, as many as there are bottles: each passes what the others leave it on the lines
 * they share, and the next is hung where one is done.
 */
export function minutesTogether(drivingKPa: number, context: TechniqueContext, bottles: number): number {
  const { corners, unknowns } = context
  const liquid = liquidAt(context)
  const left = corners.flatMap(({ bleeder, route, throughMl }) =>
    route && throughMl > 0 ? { id: bleeder.id, route, ml: throughMl } : [],
  )
  let minutes = 0
  while (left.length > 0) {
    const open = left.slice(0, bottles)
    const flows = flowsTogether(open, drivingKPa, liquid, unknowns.bleeder)
    const step = Math.min(...open.map(({ id, ml }) => ml / (flows.get(id) ?? 0)))
    minutes += step
    for (const each of open) each.ml -= step * (flows.get(each.id) ?? 0)
    const done = left.findIndex(({ ml }, i) => i < bottles && ml < 1e-6)
    left.splice(Math.max(0, done), 1)
  }
  return minutes
}

/** Reservoir above the bleeder. @source common practice */
export const GRAVITY_HEAD_M = 0.6

/** That height as driving pressure. */
export const gravityKPa = (context: TechniqueContext): number =>
  headKPa(GRAVITY_HEAD_M, densityKgM3(context.fluid, context.tempC))
