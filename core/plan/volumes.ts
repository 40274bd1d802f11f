import { cylinderMl } from '../hydraulics/cylinder'
import { tubeMl } from '../hydraulics/tube'
import type { BleederRun, Run } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { PartOf, Vehicle } from '../vehicle/schema'

/** How far the pistons of a brake stand out: as measured on this job, else as the file says. */
export const wearOf = (brake: PartOf<'wheel-brake'>, measured: Record<string, number>): number =>
  measured[brake.id] ?? brake.padWearMm

/** What a brake holds behind its pistons; a bleeder's share of it, by circuit where two meet in one brake. */
function brakeShareMl(
  brake: PartOf<'wheel-brake'>,
  circuit: string | undefined,
  measured: Record<string, number>,
): number {
  const mine = <T extends { circuit?: string }>(items: readonly T[]) =>
    items.filter((item) => item.circuit === undefined || circuit === undefined || item.circuit === circuit)
  const held = mine(brake.pistons).reduce(
    (sum, { diameterMm, count }) => sum + count * cylinderMl(diameterMm, wearOf(brake, measured)),
    0,
  )
  return held / Math.max(1, mine(brake.bleeders).length)
}

function ownShareMl({ part, bleeder, run }: BleederRun, measured: Record<string, number>): number {
  if (part.type === 'wheel-brake') return brakeShareMl(part, bleeder.circuit ?? run?.circuit, measured)
  if (part.type === 'clutch-slave') return cylinderMl(part.boreMm, part.strokeMm) / part.bleeders.length
  if (part.type === 'stroke-simulator') return part.volumeMl / part.bleeders.length
  return 0
}

/** A unit's volume is split equally between the circuits that enter it. */
function unitShareMl(vehicle: Vehicle, unit: PartOf<'control-unit'>): number {
  const circuits = new Set(vehicle.lines.filter((line) => line.to === unit.id).map((line) => line.circuit))
  return unit.volumeMl / Math.max(1, circuits.size)
}

function unitsOn(vehicle: Vehicle, run: Run): PartOf<'control-unit'>[] {
  const ends = new Set(run.lines.map((line) => line.to))
  return partsOf(vehicle, 'control-unit').filter((unit) => ends.has(unit.id))
}

/**
 * Old fluid that stands between the source and each bleeder, in the order they are opened: a pipe or unit shared
 * by several is purged once and counts for the first of them.
 *
 * Only what the file states is counted: lines, the unit, pistons by their wear, slave and simulator.
 *
 * @param fromUnit count only from the control unit on: what a base bleed after a unit cycle has to carry out
 * @returns mL by bleeder id
 */
export function volumesInOrder(
  vehicle: Vehicle,
  ordered: readonly BleederRun[],
  measuredWearMm: Record<string, number>,
  fromUnit = false,
): Map<string, number> {
  const purged = new Set<unknown>()
  const once = (key: unknown, ml: number) => {
    if (purged.has(key)) return 0
    purged.add(key)
    return ml
  }
  const volumes = new Map<string, number>()
  for (const placed of ordered) {
    let ml = ownShareMl(placed, measuredWearMm)
    const { run } = placed
    if (run) {
      const units = unitsOn(vehicle, run)
      const lastUnitAt = fromUnit
        ? run.lines.findLastIndex((line) => units.some((unit) => unit.id === line.to))
        : -1
      for (const line of run.lines.slice(lastUnitAt + 1))
        ml += once(
          line,
          line.segments.reduce((sum, segment) => sum + tubeMl(segment), 0),
        )
      for (const unit of units) ml += once(`${unit.id}\n${run.circuit}`, unitShareMl(vehicle, unit))
    }
    volumes.set(placed.bleeder.id, ml)
  }
  return volumes
}
