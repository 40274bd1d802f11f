import { cylinderMl } from '../../physics/hydraulics/cylinder'
import type { PartOf } from '../../vehicle/schema'
import { deadVolume } from '../../vehicle/usual-volumes'
import { type Assembly, doorKey } from '../build'
import { ofHole } from '../link'
import { usual } from '../usual'
import { addBleeder } from './outlets'

/** A brake of less than this is no volume. */
const LEAST_ML = 0.2
/** More pistons than this press from both sides. @source common practice */
const FLOATING_PISTONS = 3

/** Two stirred volumes in series: an exchange has to push through both. The pistons stand behind the second. */
function addHolder(
  rig: Assembly,
  part: PartOf<'wheel-brake' | 'clutch-slave'>,
  circuit: string,
  holds: { ml: number; takeUpMl: number; takeUpKPa: number; wallMlPerKPa: number },
): number {
  const heightM = rig.heightM(part.id, -usual.dropM)
  const half = { of: part.id, heightM, baseMl: Math.max(LEAST_ML, holds.ml) / 2 }
  const first = rig.cell(half)
  const second = rig.cell({ ...half, ...holds })
  rig.link({
    from: first,
    to: second,
    out: ofHole(2.5, { boreMm: 2.5, lengthM: 0.01 }, rig.liquid),
    // Air stays at the top, where the bleeder is.
    takesBack: 'liquid-first',
  })
  rig.doors.set(doorKey(part.id, circuit), { in: first, out: second })
  return second
}

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
  const cell = addHolder(rig, part, circuit, {
    ml: deadVolume(part).ml / Math.max(1, circuits.size) + wornMl,
    takeUpMl: (areaMm2 * usually.takeUpMm) / 1000,
    takeUpKPa: usually.takeUpKPa,
    wallMlPerKPa: (areaMm2 * usually.mmPerMPa) / 1e6,
  })
  rig.worn.set(part.id, [...(rig.worn.get(part.id) ?? []), { cell, ml: wornMl }])
  for (const bleeder of mine(part.bleeders))
    if (!rig.outlets.some(({ id }) => id === bleeder.id))
      addBleeder(rig, bleeder.id, cell, part.bleederAtTop !== false)
}

/** A clutch's slave, as far out as its stroke. @source from memory: it gives as little as a brake once it stands */
export function addSlave(rig: Assembly, part: PartOf<'clutch-slave'>, circuit: string): void {
  const areaMm2 = cylinderMl(part.boreMm, 1000)
  const cell = addHolder(rig, part, circuit, {
    ml: cylinderMl(part.boreMm, part.strokeMm),
    takeUpMl: (areaMm2 * usual.floating.takeUpMm) / 1000,
    takeUpKPa: usual.floating.takeUpKPa,
    wallMlPerKPa: (areaMm2 * usual.floating.mmPerMPa) / 1e6,
  })
  for (const bleeder of part.bleeders)
    if (!rig.outlets.some(({ id }) => id === bleeder.id)) addBleeder(rig, bleeder.id, cell, true)
}
