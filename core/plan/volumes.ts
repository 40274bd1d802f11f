import { cylinderMl } from '../physics/hydraulics/cylinder'
import { tubeMl } from '../physics/hydraulics/tube'
import type { Route, RoutedBleeder } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { Line, PartOf, Vehicle } from '../vehicle/schema'
import { deadVolume } from '../vehicle/usual-volumes'
import type { Work } from './request'

/** How far the pistons of a brake stand out: as measured on this job, else as the file says. */
export const wearOf = (brake: PartOf<'wheel-brake'>, measured: Record<string, number>): number =>
  measured[brake.id] ?? brake.padWearMm

/** The same for the bleed: pistons that are pressed home before it hold nothing by standing out. */
export const wearAtBleed = ({
  padWearMm,
  pistonsHome = [],
}: Pick<Work, 'padWearMm' | 'pistonsHome'>): Record<string, number> => ({
  ...padWearMm,
  ...Object.fromEntries(pistonsHome.map((id) => [id, 0])),
})

/**
 * What a brake holds behind its pistons, as far out as they stand and with them home; a bleeder's share of it, by
 * circuit where two meet in one brake.
 */
function brakeShare(
  brake: PartOf<'wheel-brake'>,
  circuit: string | undefined,
  measured: Record<string, number>,
): Pick<Passage, 'ownMl' | 'usualMl'> {
  const mine = <T extends { circuit?: string }>(items: readonly T[]) =>
    items.filter((item) => item.circuit === undefined || circuit === undefined || item.circuit === circuit)
  const held = mine(brake.pistons).reduce(
    (sum, { diameterMm, count }) => sum + count * cylinderMl(diameterMm, wearOf(brake, measured)),
    0,
  )
  const circuits = new Set(brake.pistons.flatMap((each) => each.circuit ?? []))
  const dead = deadVolume(brake)
  const shared = Math.max(1, mine(brake.bleeders).length)
  const deadMl = dead.ml / Math.max(1, circuits.size) / shared
  return { ownMl: held / shared + deadMl, usualMl: dead.usual ? deadMl : 0 }
}

function ownShare(
  { part, bleeder, route }: RoutedBleeder,
  measured: Record<string, number>,
): Pick<Passage, 'ownMl' | 'usualMl'> {
  if (part.type === 'wheel-brake') return brakeShare(part, bleeder.circuit ?? route?.circuit, measured)
  const stated = (ml: number, bleeders: readonly unknown[]) => ({ ownMl: ml / bleeders.length, usualMl: 0 })
  if (part.type === 'clutch-slave') return stated(cylinderMl(part.boreMm, part.strokeMm), part.bleeders)
  if (part.type === 'stroke-simulator') return stated(part.volumeMl, part.bleeders)
  return { ownMl: 0, usualMl: 0 }
}

/** A unit's volume is split equally between the circuits that enter it. */
export function unitShareMl(vehicle: Vehicle, unit: PartOf<'control-unit'>): number {
  const circuits = new Set(vehicle.lines.filter((line) => line.to === unit.id).map((line) => line.circuit))
  return unit.volumeMl / Math.max(1, circuits.size)
}

function unitsOn(vehicle: Vehicle, route: Route): PartOf<'control-unit'>[] {
  const ends = new Set(route.lines.map((line) => line.to))
  return partsOf(vehicle, 'control-unit').filter((unit) => ends.has(unit.id))
}

/** What stands before one bleeder and counts for it: its own brake, its chamber, whole lines, its part of a unit. */
export type Passage = {
  id: string
  /** `usualMl` of it no file states: what its brake holds with its pistons home. */
  ownMl: number
  usualMl: number
  chamberMl: number
  unitMl: number
  lines: Line[]
}

function chamberMl(vehicle: Vehicle, sourceId: string): number {
  const chamber = partsOf(vehicle, 'master-cylinder')
    .flatMap(({ chambers }) => chambers)
    .find(({ id }) => id === sourceId)
  return chamber ? cylinderMl(chamber.boreMm, chamber.strokeMm) : 0
}

/**
 * Old fluid that stands between the reservoir and each bleeder, in the order they are opened: a chamber, pipe or unit
 * shared by several is purged once and counts for the first of them. Where several run together nobody knows which of
 * them purges what they share, and it counts for each.
 *
 * @param fromUnit count only from the control unit on: what a base bleed after a unit cycle has to carry out
 * @param atOnce bleeders that run together
 */
export function passagesInOrder(
  vehicle: Vehicle,
  ordered: readonly RoutedBleeder[],
  measuredWearMm: Record<string, number>,
  fromUnit = false,
  atOnce = 1,
): Passage[] {
  const purgedIn = new Map<unknown, number>()
  return ordered.map((placed, i) => {
    const group = Math.floor(i / atOnce)
    const first = (key: unknown) => {
      if (!purgedIn.has(key)) purgedIn.set(key, group)
      return purgedIn.get(key) === group
    }
    const passage: Passage = {
      id: placed.bleeder.id,
      ...ownShare(placed, measuredWearMm),
      chamberMl: 0,
      unitMl: 0,
      lines: [],
    }
    const { route } = placed
    if (!route) return passage
    if (!fromUnit && first(route.sourceId)) passage.chamberMl = chamberMl(vehicle, route.sourceId)
    const units = unitsOn(vehicle, route)
    const lastUnitAt = fromUnit
      ? route.lines.findLastIndex((line) => units.some((unit) => unit.id === line.to))
      : -1
    passage.lines = route.lines.slice(lastUnitAt + 1).filter(first)
    for (const unit of units)
      if (first(`${unit.id}\n${route.circuit}`)) passage.unitMl += unitShareMl(vehicle, unit)
    return passage
  })
}

/** What one line holds. */
export const lineMl = (line: Line): number => line.segments.reduce((sum, segment) => sum + tubeMl(segment), 0)

/** What stands before one bleeder in all. */
export const passageMl = ({ ownMl, chamberMl, unitMl, lines }: Passage): number =>
  ownMl + chamberMl + unitMl + lines.reduce((sum, line) => sum + lineMl(line), 0)

/** The same for each, mL by bleeder id. */
export function volumesInOrder(...passages: Parameters<typeof passagesInOrder>): Map<string, number> {
  return new Map(passagesInOrder(...passages).map((passage) => [passage.id, passageMl(passage)]))
}
