import { ImpossibleInput } from '../../base/fault'
import { cylinderMl } from '../hydraulics/cylinder'

/** Pistons of one size in one brake. */
export type Pistons = { diameterMm: number; count: number }

/**
 * How much fluid worn pads hold out of the reservoir: Σ piston area × how far each piston has moved out.
 * A low reservoir with worn pads may be no leak. Worn linings that adjust themselves count as 0.
 *
 * @param wearMm how far each piston stands out from new (both pads and the disc for a floating caliper)
 * @returns mL, 0 or more
 * @source geometry
 */
export function wearDrop({ pistons, wearMm }: { pistons: readonly Pistons[]; wearMm: number }): {
  ml: number
} {
  if (!(wearMm >= 0)) throw new ImpossibleInput('wearMm', 'give a wear of 0 mm or more')
  return {
    ml: pistons.reduce((sum, { diameterMm, count }) => sum + count * cylinderMl(diameterMm, wearMm), 0),
  }
}
