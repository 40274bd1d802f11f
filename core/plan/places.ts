import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { type StageKind, stageTraits } from './stage-kinds'

/**
 * Where a stage is worked, in order: the bleeders of its order, before them every port of the cylinders at their
 * stage, or the cylinders themselves in the vice.
 *
 * @param cylinderIds cylinders whose own air has to come out
 */
export function placesOfStage(
  vehicle: Vehicle,
  { kind, order }: { kind: StageKind; order: readonly string[] },
  cylinderIds: readonly string[],
): string[] {
  const cylinders = partsOf(vehicle, 'master-cylinder').filter(({ id }) => cylinderIds.includes(id))
  switch (stageTraits[kind].worksAt) {
    case 'cylinders':
      return cylinders.map(({ id }) => id)
    case 'ports':
      // A cylinder with bleeders of its own is bled at those: nobody cracks a nut that need not be cracked.
      return [
        ...cylinders
          .filter(({ bleeders }) => bleeders.length === 0)
          .flatMap(({ chambers }) => chambers.map(({ id }) => id)),
        ...order,
      ]
    case 'bleeders':
      return [...order]
    case 'nothing':
      return []
  }
}
