import { fact, type Params } from '../base/decision'
import { ImpossibleInput } from '../base/fault'
import { type FluidSpec, fluidSpecs } from '../fluid/specs'
import type { TubeSegment } from '../physics/hydraulics/tube'

/** Something that cannot be at a field of a page, to be said in the reader's units. */
export const impossible = (path: string, code: string, params: Params = {}): ImpossibleInput =>
  new ImpossibleInput(path, code, fact(code, params))

/** Which fluid, of those a page speaks of. */
export const fluidField = (specs: readonly FluidSpec[] = fluidSpecs) => ({
  kind: 'choice' as const,
  says: 'bench-fluid',
  options: specs as readonly string[],
  named: true as const,
  initial: 'DOT 4',
})

/** Length and bore of each piece of a run. */
export const pieceColumns = [
  { quantity: 'run', max: 60 },
  { quantity: 'length', max: 40 },
] as const

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
    throw impossible(field, 'bench-pieces-fault', { leastMm: 0.1 })
  return pieces
}
