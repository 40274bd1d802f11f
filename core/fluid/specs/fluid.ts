import type { ViscosityPoint } from '../../physics/hydraulics/viscosity'
import type { Colour } from './colour'

/** What a fluid is made of decides what it may be mixed with. */
export type FluidBase = 'glycol' | 'silicone' | 'mineral'

/** One fluid specification: limits of its standard, and typical values used where a product's own are not known. */
export type Fluid = {
  spec: string
  base: FluidBase
  /** Minimum boiling point as delivered; absent where the standard names none. */
  dryC?: number
  /** Minimum boiling point after humidification to about 3.7 % water by mass. */
  wetC?: number
  /** Most viscous it may be at −40 °C. */
  coldViscosityMaxMm2PerS?: number
  /** Typical product, two points for Walther's line: @source from memory unless the file says otherwise. */
  typical: readonly [ViscosityPoint, ViscosityPoint]
  /** At 20 °C. @source from memory */
  densityKgM3: number
  /** Share of its volume a fluid gains per degree. @source from memory */
  expansionPerK: number
  /** How it may look unused, colourless to amber for glycol: what comes out so is as new as what goes in. */
  newColours: readonly Colour[]
  source: string
}
