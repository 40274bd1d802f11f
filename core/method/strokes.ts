import { cylinderMl } from '../hydraulics/cylinder'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { usualUnknowns } from './method'

/** mL of one full stroke of a chamber. */
export function strokeMl(vehicle: Vehicle, sourceId: string): number | undefined {
  const chamber = partsOf(vehicle, 'master-cylinder')
    .flatMap((cylinder) => cylinder.chambers)
    .find((each) => each.id === sourceId)
  return chamber && cylinderMl(chamber.boreMm, chamber.strokeMm)
}

/** mL one pull delivers, as a default to be replaced by what the bottle shows. */
export function pullMl(
  vehicle: Vehicle,
  sourceId: string,
  strokeShare = usualUnknowns.strokeShare,
): number | undefined {
  const full = strokeMl(vehicle, sourceId)
  return full === undefined ? undefined : full * strokeShare
}
