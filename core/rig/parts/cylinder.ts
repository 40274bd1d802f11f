import { usualIntake } from '../../physics/hydraulics/intake'
import type { PartOf } from '../../vehicle/schema'
import type { Assembly } from '../build'
import { ofHole } from '../link'
import { usual } from '../usual'
import { addWayOut } from './inner'
import { addBleeder, addJoint } from './outlets'

/** What a chamber holds with its piston home, beyond its stroke. @source from memory */
const BEYOND_STROKE_ML = 1
/** … and the ring around it. @source from memory */
const RING_ML = 0.5

type Wide = NonNullable<PartOf<'master-cylinder'>['chambers'][number]['takeUp']>

/**
 * A wider bore around a piston, that moves with it over the first of its stroke: what it presses goes past a lip into the
 * chamber and so brings shoes and pads up quickly; once they stand, what is too much lifts a valve and goes back into the
 * reservoir.
 *
 * @returns the way by which it fills again
 * @source common practice
 */
function addRing(
  rig: Assembly,
  { of, chamber, tank }: { of: string; chamber: number; tank: number },
): { refill: number } {
  const { reliefMm, reliefKPa } = usual.takeUp
  const { cupHoleMm } = usual
  const cell = rig.at(chamber)
  const ring = rig.cell({ of, heightM: cell.heightM, baseMl: RING_ML, ringOf: cell })
  const hole = (boreMm: number) => ofHole(boreMm, { boreMm, lengthM: usualIntake.lengthM }, rig.liquid)
  const link = rig.link({ from: ring, to: chamber, out: hole(cupHoleMm), back: 'none' })
  rig.link({ from: ring, to: tank, out: hole(reliefMm), back: 'none', cracksKPa: reliefKPa })
  rig.rings.push({ chamber, ring, link })
  return { refill: rig.link({ from: tank, to: ring, out: hole(cupHoleMm), back: 'none' }) }
}

const ringOf = ({ boreMm, strokeMm }: Wide, chamber: { boreMm: number; strokeMm: number }) => ({
  areaMm2: (Math.PI / 4) * (boreMm ** 2 - chamber.boreMm ** 2),
  strokeMm: Math.min(strokeMm, chamber.strokeMm),
  kPa: 0,
})

/** Pistons in a bore: each chamber with the port that is open at rest, and the cup that folds on a quick return. */
export function addCylinder(rig: Assembly, part: PartOf<'master-cylinder'>): void {
  for (const chamber of part.chambers) {
    const tank = rig.tanks.find(({ id }) => id === (chamber.fedBy ?? part.fedBy))
    if (!tank) continue
    const areaMm2 = (Math.PI / 4) * chamber.boreMm ** 2
    const { takeUp } = chamber
    const isWider = takeUp !== undefined && takeUp.boreMm > chamber.boreMm
    const cell = rig.cell({
      of: part.id,
      heightM: rig.heightM(part.id, 0),
      baseMl: BEYOND_STROKE_ML,
      piston: {
        areaMm2,
        strokeMm: chamber.strokeMm,
        ...(isWider && { ring: ringOf(takeUp, chamber) }),
        springN: usual.springN,
        springNPerMm: usual.springNPerMm,
        damperNsPerMm: usual.damperNsPerMm,
        forceN: 0,
        atMm: 0,
      },
    })
    const { portMm, cupHoleMm, cupCracksKPa } = usual
    const passage = (boreMm: number) => ({ lengthM: usualIntake.lengthM, boreMm })
    const out = part.residualKPa === undefined ? cell : addWayOut(rig, part, cell).out
    rig.doors.set(chamber.id, { in: cell, out })
    rig.chambers.push({
      id: chamber.id,
      cylinder: part.id,
      pedalRatio: part.pedalRatio,
      cell,
      // What goes back lets its air rise into the reservoir.
      port: rig.link({
        from: tank.cell,
        to: cell,
        out: ofHole(portMm, passage(portMm), rig.liquid),
        takesBack: 'air-first',
      }),
      cup: rig.link({
        from: tank.cell,
        to: cell,
        out: ofHole(cupHoleMm, passage(cupHoleMm), rig.liquid),
        back: 'none',
        cracksKPa: cupCracksKPa,
      }),
      ...(isWider && { ring: addRing(rig, { of: part.id, chamber: cell, tank: tank.cell }) }),
    })
    addJoint(rig, chamber.id, cell)
    if (chamber === part.chambers[0])
      for (const bleeder of part.bleeders) addBleeder(rig, bleeder.id, cell, true)
  }
}
