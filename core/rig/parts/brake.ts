import { cylinderMl } from '../../physics/hydraulics/cylinder'
import { tubeMl } from '../../physics/hydraulics/tube'
import type { PartOf } from '../../vehicle/schema'
import { deadVolume } from '../../vehicle/usual-volumes'
import { type Assembly, doorKey } from '../build'
import { ofHole, ofTubes } from '../link'
import { Tube } from '../tube'
import { usual } from '../usual'
import { addBleeder } from './outlets'

const VOLUMES = 3
/** A brake of less than this is no volume. */
const LEAST_ML = 0.2
/** More pistons than this press from both sides. @source common practice */
const FLOATING_PISTONS = 3

/** A hollow bolt's bore, and the bored passage from there to the pistons. @source from memory */
const BOLT_ML = 0.5
const PASSAGE = { lengthM: 0.08, boreMm: 4 }

/**
 * Three stirred volumes in series, as an exchange is reckoned. The pistons stand behind the last, where the bleeder is. A
 * line that goes on to another brake leaves at the hollow bolt, before any of them.
 *
 * @source common practice: two hoses on one hollow bolt
 */
function addHolder(
  rig: Assembly,
  part: PartOf<'wheel-brake' | 'clutch-slave'>,
  circuit: string,
  holds: { ml: number; takeUpMl: number; takeUpKPa: number; wallMlPerKPa: number },
): number {
  const heightM = rig.heightM(part.id, -usual.dropM)
  const goesOn = rig.vehicle.lines.some(({ from }) => from === part.id)
  const ownMl = holds.ml - (goesOn ? BOLT_ML + tubeMl(PASSAGE) : 0)
  const third = { of: part.id, heightM, baseMl: Math.max(LEAST_ML, ownMl) / VOLUMES }
  const first = rig.cell(third)
  let last = first
  for (let k = 1; k < VOLUMES; k++) {
    const next = rig.cell(k === VOLUMES - 1 ? { ...third, ...holds } : third)
    rig.link({
      from: last,
      to: next,
      out: ofHole(2.5, { boreMm: 2.5, lengthM: 0.01 }, rig.liquid),
      // Air stays at the top, where the bleeder is.
      takesBack: 'liquid-first',
    })
    last = next
  }
  let inlet = first
  if (goesOn) {
    inlet = rig.cell({ of: part.id, heightM, baseMl: BOLT_ML })
    const passage = rig.cell({
      of: part.id,
      heightM,
      baseMl: tubeMl(PASSAGE),
      boreMm: PASSAGE.boreMm,
      tube: new Tube(),
    })
    const half = ofTubes([{ ...PASSAGE, lengthM: PASSAGE.lengthM / 2 }], rig.liquid)
    rig.link({ from: inlet, to: passage, out: half })
    rig.link({ from: passage, to: first, out: half })
  }
  rig.doors.set(doorKey(part.id, circuit), { in: inlet, out: inlet })
  return last
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
