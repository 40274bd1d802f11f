import { usualIntake } from '../../physics/hydraulics/intake'
import type { PartOf } from '../../vehicle/schema'
import type { Assembly } from '../build'
import { ofHole } from '../link'
import { usual } from '../usual'
import { addBleeder, addJoint } from './outlets'

/** What a chamber holds with its piston home, beyond its stroke. @source from memory */
const BEYOND_STROKE_ML = 1

/** Pistons in a bore: each chamber with the port that is open at rest, and the cup that folds on a quick return. */
export function addCylinder(rig: Assembly, part: PartOf<'master-cylinder'>): void {
  for (const chamber of part.chambers) {
    const tank = rig.tanks.find(({ id }) => id === (chamber.fedBy ?? part.fedBy))
    if (!tank) continue
    const areaMm2 = (Math.PI / 4) * chamber.boreMm ** 2
    const cell = rig.cell({
      of: part.id,
      heightM: rig.heightM(part.id, 0),
      baseMl: BEYOND_STROKE_ML,
      piston: {
        areaMm2,
        strokeMm: chamber.strokeMm,
        springN: usual.springN,
        springNPerMm: usual.springNPerMm,
        damperNsPerMm: usual.damperNsPerMm,
        forceN: 0,
        atMm: 0,
      },
    })
    const { portMm, cupHoleMm, cupCracksKPa } = usual
    const passage = (boreMm: number) => ({ lengthM: usualIntake.lengthM, boreMm })
    rig.doors.set(chamber.id, { in: cell, out: cell })
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
    })
    addJoint(rig, chamber.id, cell)
    if (chamber === part.chambers[0])
      for (const bleeder of part.bleeders) addBleeder(rig, bleeder.id, cell, true)
  }
}
