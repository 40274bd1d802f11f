import { cylinderMl } from '../../physics/hydraulics/cylinder'
import { routedBleeders } from '../../vehicle/network'
import { partsOf } from '../../vehicle/parts'
import type { PartOf } from '../../vehicle/schema'
import { deadVolume } from '../../vehicle/usual-volumes'
import type { Assembly } from '../build'
import { usual } from '../usual'
import { addHolder } from './holder'
import { addBleeder } from './outlets'

/** More pistons than this press from both sides. @source common practice */
const FLOATING_PISTONS = 3

/** Pistons that clear their discs or drums, take that up, and give a little under pressure. */
export function addBrake(rig: Assembly, part: PartOf<'wheel-brake'>, circuit: string): void {
  const mine = <T extends { circuit?: string }>(items: readonly T[]) =>
    items.filter((item) => (item.circuit ?? circuit) === circuit)
  const pistons = mine(part.pistons)
  const areaMm2 = pistons.reduce(
    (sum, { diameterMm, count }) => sum + count * cylinderMl(diameterMm, 1000),
    0,
  )
  const circuits = new Set(part.pistons.flatMap((each) => each.circuit ?? []))
  const count = pistons.reduce((sum, each) => sum + each.count, 0)
  const discs = count > FLOATING_PISTONS ? usual.opposed : usual.floating
  const usually = part.brake === 'drum' ? usual.drum : discs
  const wornMl = (areaMm2 * part.padWearMm) / 1000
  const holds = {
    heightM: rig.heightM(part.id, -usual.dropM),
    ml: deadVolume(part).ml / Math.max(1, circuits.size) + wornMl,
    takeUpMl: (areaMm2 * usually.takeUpMm) / 1000,
    takeUpKPa: usually.takeUpKPa,
    wallMlPerKPa: (areaMm2 * usually.mmPerMPa) / 1e6,
  }
  const bleeders = mine(part.bleeders)
  const cells = addHolder(rig, part.id, circuit, holds, Math.max(1, bleeders.length))
  const worn = cells.map((cell) => ({ cell, ml: wornMl / cells.length }))
  rig.worn.set(part.id, [...(rig.worn.get(part.id) ?? []), ...worn])
  for (const [i, bleeder] of bleeders.entries())
    if (!rig.outlets.some(({ id }) => id === bleeder.id))
      addBleeder(rig, bleeder.id, cells[i] ?? 0, part.bleederAtTop !== false)
}

/** What the chamber that feeds a slave moves, mL: none goes out further than that, however long it is. */
function pressedMl({ vehicle }: Assembly, { id }: PartOf<'clutch-slave'>): number {
  const source = routedBleeders(vehicle).find(({ part }) => part.id === id)?.route?.sourceId
  const chambers = partsOf(vehicle, 'master-cylinder').flatMap((cylinder) => cylinder.chambers)
  const chamber = chambers.find((each) => each.id === source)
  return chamber ? cylinderMl(chamber.boreMm, chamber.strokeMm) : Number.POSITIVE_INFINITY
}

/**
 * A clutch's slave: at rest its spring or the clutch's own has pushed it home, and it holds what its file says; pressed, it
 * goes out against the clutch. @source from memory: it gives as a clutch does, softly and by most of its stroke
 */
export function addSlave(rig: Assembly, part: PartOf<'clutch-slave'>, circuit: string): void {
  const strokeMl = cylinderMl(part.boreMm, part.strokeMm)
  const [cell = 0] = addHolder(rig, part.id, circuit, {
    heightM: rig.heightM(part.id, -usual.dropM),
    ml: strokeMl,
    takeUpMl: usual.slave.strokeShare * Math.min(strokeMl, pressedMl(rig, part)),
    takeUpKPa: usual.slave.strokeKPa,
    wallMlPerKPa: (cylinderMl(part.boreMm, 1000) * usual.floating.mmPerMPa) / 1e6,
  })
  for (const bleeder of part.bleeders)
    if (!rig.outlets.some(({ id }) => id === bleeder.id)) addBleeder(rig, bleeder.id, cell, true)
}
