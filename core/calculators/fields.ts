import { type FluidSpec, fluidSpecs } from '../fluid/specs'

/** Which fluid, of those a page speaks of. */
export const fluidField = (specs: readonly FluidSpec[] = fluidSpecs) => ({
  kind: 'choice' as const,
  label: 'Fluid',
  options: specs.map((spec) => ({ value: spec, label: spec })),
  initial: 'DOT 4',
})
