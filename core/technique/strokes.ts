import { perObject } from '../base/memo'
import { cylinderMl } from '../physics/hydraulics/cylinder'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { usualUnknowns } from './technique'

const strokesOf = perObject(
  (vehicle: Vehicle) =>
    new Map(
      partsOf(vehicle, 'master-cylinder').flatMap(({ chambers }) =>
        chambers.map(({ id, boreMm, strokeMm }) => [id, cylinderMl(boreMm, strokeMm)] as const),
      ),
    ),
)

/** mL of one full stroke of a chamber. */
export const strokeMl = (vehicle: Vehicle, sourceId: string): number | undefined =>
  strokesOf(vehicle).get(sourceId)

/** mL one pull delivers, as a default to be replaced by what the bottle shows. */
export function pullMl(
  vehicle: Vehicle,
  sourceId: string,
  strokeShare = usualUnknowns.strokeShare,
): number | undefined {
  const full = strokeMl(vehicle, sourceId)
  return full === undefined ? undefined : full * strokeShare
}
