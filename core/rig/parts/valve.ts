import type { PartOf } from '../../vehicle/schema'
import { type Assembly, doorKey, type Gate } from '../build'
import { usual } from '../usual'
import { addWayOut, PASSAGE_ML } from './inner'
import { addBleeder } from './outlets'

type Role = PartOf<'valve'>['role']

const shut = () => 0

/** Shut between a light pressure and the one that sets the rear shoes; above it opens bit by bit. */
function meters(kPa: number): number {
  const { shutsKPa, opensKPa, openKPa } = usual.metering
  if (kPa <= shutsKPa) return 1
  return Math.max(0, Math.min(1, (kPa - opensKPa) / (openKPa - opensKPa)))
}

/**
 * How far a kind of valve lets fluid out at a pressure before it; those left out let pass whatever comes. What comes back
 * always passes.
 *
 * A proportioning valve lets everything pass below its knee, which no bleeding reaches; a ball is still while a vehicle
 * stands level; a switch only tells which circuit has no pressure.
 *
 * @source common practice: pressure at the reservoir shuts a metering valve, a hanging axle a load-sensing one
 */
const gates: Partial<Record<Role, (rig: Assembly) => Gate['opensAt'] | undefined>> = {
  metering: () => meters,
  'load-sensing': ({ axlesHang }) => (axlesHang ? shut : undefined),
}

/** A valve as bleeding feels it: it may hold some pressure back, or be shut until it is held open. */
export function addValve(rig: Assembly, part: PartOf<'valve'>, circuit: string): void {
  const cell = rig.cell({ of: part.id, heightM: rig.heightM(part.id, 0), baseMl: PASSAGE_ML })
  const opensAt = gates[part.role]?.(rig)
  let out = cell
  if (part.residualKPa !== undefined || opensAt) {
    const way = addWayOut(rig, part, cell)
    out = way.out
    if (opensAt) rig.gates.push({ valve: part.id, link: way.link, cell, opensAt, held: false })
  }
  rig.doors.set(doorKey(part.id, circuit), { in: cell, out })
  for (const bleeder of part.bleeders)
    if (!rig.outlets.some(({ id }) => id === bleeder.id)) addBleeder(rig, bleeder.id, cell, true)
}
