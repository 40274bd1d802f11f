import { z } from 'zod'
import { dot3 } from './dot-3'
import { dot4 } from './dot-4'
import { dot4lv } from './dot-4-lv'
import { dot5 } from './dot-5'
import { dot51 } from './dot-5-1'
import type { Fluid } from './fluid'
import { mineral } from './mineral'

/** Every specification a vehicle may call for. A new one is one file and one line here. */
export const fluids = {
  'DOT 3': dot3,
  'DOT 4': dot4,
  'DOT 4 LV': dot4lv,
  'DOT 5': dot5,
  'DOT 5.1': dot51,
  mineral,
} as const satisfies Record<string, Fluid>

export type FluidSpec = keyof typeof fluids
export const fluidSpecs = Object.keys(fluids) as [FluidSpec, ...FluidSpec[]]

const added = new Map<string, Fluid>()

/** Add a fluid. @returns takes it out again */
export function registerFluid(fluid: Fluid): () => void {
  added.set(fluid.spec, fluid)
  return () => added.delete(fluid.spec)
}

/** The tabled facts of a specification. */
export const fluidOf = (spec: FluidSpec): Fluid => added.get(spec) ?? fluids[spec]

/**
 * Whether two kinds may meet in one system. Glycol specs mix with each other, as good as the weaker;
 * silicone and mineral oil mix with nothing but themselves.
 * @source common practice
 */
export const mayMix = (a: FluidSpec, b: FluidSpec): boolean => fluidOf(a).base === fluidOf(b).base

const oneOfThem = `give one of: ${fluidSpecs.join(', ')}`
export const fluidSpecSchema = z
  .string(oneOfThem)
  .refine((value) => added.has(value) || Object.hasOwn(fluids, value), oneOfThem)
  .meta({ enum: [...fluidSpecs] }) as unknown as z.ZodType<FluidSpec>
