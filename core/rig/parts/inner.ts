import type { PartOf } from '../../vehicle/schema'
import { type Assembly, doorKey } from '../build'
import { ofHole } from '../link'
import { usual } from '../usual'
import { addHolder } from './holder'
import { addBleeder } from './outlets'

/** Holes inside a valve, a junction or a simulator are wide: their lines decide. @source from memory */
const wide = (rig: Assembly) => ofHole(2, { boreMm: 2, lengthM: 0.01 }, rig.liquid)
const JUNCTION_ML = 0.5
const SIMULATOR_ML_PER_KPA = 2e-3

/** A unit in one circuit: its open volume, and branches that its valves shut off until it works. */
export function addUnit(
  rig: Assembly,
  part: PartOf<'control-unit'>,
  circuit: string,
  circuits: number,
): void {
  const { closedShare } = usual.unit
  const volumeMl = Math.max(0.1, part.volumeMl / circuits)
  const heightM = rig.heightM(part.id, 0)
  const cell = rig.cell({ of: part.id, heightM, baseMl: volumeMl * (1 - closedShare) })
  const branch = rig.cell({ of: part.id, heightM, baseMl: volumeMl * closedShare })
  const link = rig.link({ from: cell, to: branch, out: wide(rig) })
  rig.way(link).open = 0
  rig.branches.push({ unit: part.id, cell: branch, link, circuit })
  rig.doors.set(doorKey(part.id, circuit), { in: cell, out: cell })
  for (const bleeder of part.bleeders)
    if ((bleeder.circuit ?? circuit) === circuit && !rig.outlets.some(({ id }) => id === bleeder.id))
      addBleeder(rig, bleeder.id, cell, true)
}

/** What fluid only passes: a junction, or a valve that may hold some pressure back. */
export function addPassage(rig: Assembly, part: PartOf<'junction' | 'valve'>, circuit: string): void {
  const heightM = rig.heightM(part.id, 0)
  const cell = rig.cell({ of: part.id, heightM, baseMl: JUNCTION_ML })
  let out = cell
  if (part.residualKPa !== undefined) {
    out = rig.cell({ of: part.id, heightM, baseMl: JUNCTION_ML })
    rig.link({ from: cell, to: out, out: wide(rig), backCracksKPa: part.residualKPa })
  }
  rig.doors.set(doorKey(part.id, circuit), { in: cell, out })
  if (part.type === 'valve')
    for (const bleeder of part.bleeders)
      if (!rig.outlets.some(({ id }) => id === bleeder.id)) addBleeder(rig, bleeder.id, cell, true)
}

/** A simulator gives like a soft brake, so that a foot has something to press. */
export function addSimulator(rig: Assembly, part: PartOf<'stroke-simulator'>, circuit: string): void {
  const [cell = 0] = addHolder(rig, part.id, circuit, {
    heightM: rig.heightM(part.id, 0),
    ml: part.volumeMl,
    wallMlPerKPa: SIMULATOR_ML_PER_KPA,
  })
  for (const bleeder of part.bleeders)
    if (!rig.outlets.some(({ id }) => id === bleeder.id)) addBleeder(rig, bleeder.id, cell, true)
}
