import { topUp } from '../physics/exchange/top-up'
import { cylinderMl } from '../physics/hydraulics/cylinder'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import type { Plan } from './answer'

/** A full stroke of the largest chamber that a reservoir feeds, in mL; 0 where it feeds none. */
export const largestStrokeMl = (vehicle: Vehicle, reservoirId: string): number =>
  Math.max(
    0,
    ...partsOf(vehicle, 'master-cylinder').flatMap((cylinder) =>
      cylinder.chambers
        .filter((chamber) => (chamber.fedBy ?? cylinder.fedBy) === reservoirId)
        .map((chamber) => cylinderMl(chamber.boreMm, chamber.strokeMm)),
    ),
  )

/**
 * The reservoir that is soonest at MIN, from MAX, in full strokes of the largest chamber it feeds.
 *
 * @param reservoirIds reservoirs that feed what is bled; none means all of them
 */
export function topUpEvery(vehicle: Vehicle, reservoirIds: ReadonlySet<string>): Plan['topUpEvery'] {
  const all = partsOf(vehicle, 'reservoir')
  const feeding = all.filter((reservoir) => reservoirIds.has(reservoir.id))
  const counts = (feeding.length > 0 ? feeding : all).map((reservoir) => {
    const ml = reservoir.maxMl - reservoir.minMl
    const largest = largestStrokeMl(vehicle, reservoir.id)
    return {
      reservoir: reservoir.id,
      strokes: largest > 0 ? topUp({ usableMl: ml, mlPerStroke: largest }).strokes : 0,
      ml,
    }
  })
  counts.sort((a, b) => a.strokes - b.strokes || a.ml - b.ml)
  return counts[0] ?? { reservoir: '', strokes: 0, ml: 0 }
}
