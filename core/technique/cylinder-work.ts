import { bubbleRise } from '../physics/air/bubble-rise'
import { viscosityMm2PerS } from '../physics/hydraulics/viscosity'
import type { TechniqueContext } from './technique'

/** A cylinder that is on the vehicle would have to come off first. @source from memory */
const OFF_MINUTES = 30
/** A new cylinder's air, left in until it is on the vehicle, goes down the lines. @source from memory */
const LATER_MINUTES = 25
/** Froth that is worth waiting for, through a cylinder's usual depth. @source common practice */
const FROTH_MM = 0.2
const DEPTH_MM = 60

export const benchRisk = ({ cylinderOut }: TechniqueContext): number => (cylinderOut ? 0 : OFF_MINUTES)
export const portsRisk = ({ cylinderOut }: TechniqueContext): number => (cylinderOut ? LATER_MINUTES : 2)

/** How long froth rests before the last strokes, at this temperature, seconds. */
export const restForFrothS = ({ fluid, tempC }: TechniqueContext): number =>
  Math.ceil(
    bubbleRise({
      bubbleMm: FROTH_MM,
      depthMm: DEPTH_MM,
      mm2PerS: viscosityMm2PerS(fluid.typical, tempC),
    }).seconds,
  )
