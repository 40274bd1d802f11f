import { perObject } from '../base/memo'
import { cylinderMl } from '../physics/hydraulics/cylinder'
import { partsOf } from '../vehicle/parts'
import type { PartOf, Vehicle } from '../vehicle/schema'
import { usualUnknowns } from './technique'

type Chamber = PartOf<'master-cylinder'>['chambers'][number]

/** What the wider bore around a piston presses into its chamber before it, where there is one. */
const ringMl = ({ boreMm, strokeMm, takeUp }: Chamber): number => {
  if (!takeUp || takeUp.boreMm <= boreMm) return 0
  const overMm = Math.min(takeUp.strokeMm, strokeMm)
  return cylinderMl(takeUp.boreMm, overMm) - cylinderMl(boreMm, overMm)
}

const strokesOf = perObject(
  (vehicle: Vehicle) =>
    new Map(
      partsOf(vehicle, 'master-cylinder').flatMap(({ chambers }) =>
        chambers.map((chamber) => {
          const ml = cylinderMl(chamber.boreMm, chamber.strokeMm)
          return [chamber.id, { ml, mostMl: ml + ringMl(chamber) }] as const
        }),
      ),
    ),
)

/** mL of one full stroke of a chamber. */
export const strokeMl = (vehicle: Vehicle, sourceId: string): number | undefined =>
  strokesOf(vehicle).get(sourceId)?.ml

/** The most that one full stroke of a chamber can bring at an open bleeder: with what a wider first bore presses past its lip. */
export const mostPullMl = (vehicle: Vehicle, sourceId: string): number | undefined =>
  strokesOf(vehicle).get(sourceId)?.mostMl

/** mL one pull delivers, as a default to be replaced by what the bottle shows. */
export function pullMl(
  vehicle: Vehicle,
  sourceId: string,
  strokeShare = usualUnknowns.strokeShare,
): number | undefined {
  const full = strokeMl(vehicle, sourceId)
  return full === undefined ? undefined : full * strokeShare
}
