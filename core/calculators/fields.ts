import { ImpossibleInput } from '../base/fault'
import { type FluidSpec, fluidSpecs } from '../fluid/specs'
import type { TubeSegment } from '../physics/hydraulics/tube'

/** Which fluid, of those a page speaks of. */
export const fluidField = (specs: readonly FluidSpec[] = fluidSpecs) => ({
  kind: 'choice' as const,
  label: 'Fluid',
  options: specs.map((spec) => ({ value: spec, label: spec })),
  initial: 'DOT 4',
})

/** The pieces of a run as they are typed: length in m and bore in mm. */
export const piecesText = (segments: readonly TubeSegment[]): string =>
  segments.map(({ lengthM, boreMm }) => `${lengthM} ${boreMm}`).join(', ')

/**
 * The pieces of a run as they were typed.
 *
 * @throws ImpossibleInput at the field for a piece without length or bore
 */
export function piecesOf(field: string, rows: readonly [number, number][]): TubeSegment[] {
  const pieces = rows.map(([lengthM, boreMm]) => ({ lengthM, boreMm }))
  if (pieces.some(({ lengthM, boreMm }) => lengthM < 1e-3 || boreMm < 0.1))
    throw new ImpossibleInput(field, 'Give every piece a length above 0 m and a bore of 0.1 mm or more.')
  return pieces
}
