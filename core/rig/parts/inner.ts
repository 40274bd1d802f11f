import type { PartOf } from '../../vehicle/schema'
import { type Assembly, doorKey } from '../build'
import { ofHole } from '../link'
import { usual } from '../usual'
import { addHolder } from './holder'
import { addBleeder } from './outlets'

/** What a junction or a valve holds. @source from memory */
export const PASSAGE_ML = 0.5

/** Holes inside a valve or a unit are wide: their lines decide. @source from memory */
const wide = (rig: Assembly) => ofHole(2, { boreMm: 2, lengthM: 0.01 }, rig.liquid)
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
  // A dead end: what comes back out of it is liquid, and its air stays at its top.
  const link = rig.link({ from: cell, to: branch, out: wide(rig), takesBack: 'liquid-first' })
  rig.way(link).open = 0
  rig.branches.push({ unit: part.id, cell: branch, link, circuit, restsOpen: 0 })
  rig.doors.set(doorKey(part.id, circuit), { in: cell, out: cell })
  for (const bleeder of part.bleeders)
    if ((bleeder.circuit ?? circuit) === circuit && !rig.outlets.some(({ id }) => id === bleeder.id))
      addBleeder(rig, bleeder.id, cell, true)
}

/** What fluid only passes, and what may hold some pressure back behind it. */
export function addJunction(rig: Assembly, part: PartOf<'junction'>, circuit: string): void {
  const cell = rig.cell({ of: part.id, heightM: rig.heightM(part.id, 0), baseMl: PASSAGE_ML })
  const out = part.residualKPa === undefined ? cell : addWayOut(rig, part, cell).out
  rig.doors.set(doorKey(part.id, circuit), { in: cell, out })
}

/** A way out behind a cell, that keeps back what its part says: fluid returns only over so much. */
export function addWayOut(
  rig: Assembly,
  { id, residualKPa }: { id: string; residualKPa?: number },
  from: number,
): { out: number; link: number } {
  const out = rig.cell({ of: id, heightM: rig.at(from).heightM, baseMl: PASSAGE_ML })
  const link = rig.link({ from, to: out, out: wide(rig), backCracksKPa: residualKPa })
  return { out, link }
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
