import { type FluidSpec, fluidSpecs } from '../fluids'

/** Which fluid, of those a page speaks of. */
export const fluidField = (specs: readonly FluidSpec[] = fluidSpecs) => ({
  kind: 'choice' as const,
  label: 'Fluid',
  options: specs.map((spec) => ({ value: spec, label: spec })),
  initial: 'DOT 4',
})
