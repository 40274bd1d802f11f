import { type Decision, reason } from '../base/decision'
import { wearDrop } from '../physics/exchange/wear-drop'
import { brakesFedBy } from './network'
import { partsOf } from './parts'
import type { Vehicle } from './schema'

/** Seen drop may be this much more than wear explains before it counts as unexplained. @source from memory */
const TOLERANCE_SHARE = 0.25
const TOLERANCE_ML = 10

export type LevelDrop = {
  expectedMl: number
  seenMl?: number
  /** Whether what is missing is explained by wear; absent while no level was given. */
  explained?: 'by-wear' | 'more-than-wear' | 'less-than-wear'
}

/**
 * The drop that pad wear alone makes, against what is missing from MAX: a low reservoir with worn pads may be no
 * leak, and a full one over worn pads was topped up and will overflow when the pistons go back.
 *
 * @param levelMl what is in the first reservoir now
 * @source geometry for the wear; the tolerance is from memory
 */
export function levelDrop(
  vehicle: Vehicle,
  wearMm: Record<string, number>,
  levelMl: number | undefined,
): Decision<LevelDrop> {
  const reservoir = partsOf(vehicle, 'reservoir')[0]
  const brakes = reservoir ? brakesFedBy(vehicle, reservoir.id) : []
  const expectedMl = brakes.reduce(
    (sum, brake) =>
      sum + wearDrop({ pistons: brake.pistons, wearMm: wearMm[brake.id] ?? brake.padWearMm }).ml,
    0,
  )
  const wear = reason('wear-drop', 'physics', { aboutMl: Math.round(expectedMl) })
  if (levelMl === undefined || !reservoir) return { value: { expectedMl }, reasons: [wear] }
  const seenMl = reservoir.maxMl - levelMl
  const tolerance = Math.max(TOLERANCE_ML, TOLERANCE_SHARE * expectedMl)
  const explained =
    seenMl > expectedMl + tolerance
      ? 'more-than-wear'
      : seenMl < expectedMl - tolerance
        ? 'less-than-wear'
        : 'by-wear'
  return {
    value: { expectedMl, seenMl, explained },
    reasons: [wear, reason(`level-${explained}`, 'physics', { seenMl: Math.round(seenMl) })],
  }
}
