import { tubeMl } from '../../physics/hydraulics/tube'
import { type Assembly, doorKey } from '../build'
import type { CellShape } from '../cell'
import { ofHole, ofTubes } from '../link'
import { Tube } from '../tube'

const VOLUMES = 3
/** Less than this is no volume. */
const LEAST_ML = 0.2
/** A hollow bolt's bore, and the bored passage from there to the pistons. @source from memory */
const BOLT_ML = 0.5
const PASSAGE = { lengthM: 0.08, boreMm: 4 }

/** What a holder holds with nothing pressing it, and how it gives. */
export type Holds = Pick<CellShape, 'heightM' | 'takeUpMl' | 'takeUpKPa' | 'wallMlPerKPa'> & { ml: number }

/** The passage from one half of a caliper to the other. @source from memory */
const CROSSOVER = { lengthM: 0.12, boreMm: 3 }

/**
 * What stands at a line's end: three stirred volumes in series, as an exchange is reckoned. What gives stands behind the
 * last, where the bleeder is. A line that goes on to another brake leaves at the hollow bolt, before any of them.
 *
 * @param halves each with a bleeder of its own, alike, the line entering the first and a passage leading on to the next
 * @returns the cell at the bleeder of each half
 * @source common practice: two hoses on one hollow bolt, a bleeder for each half of a fixed caliper
 */
export function addHolder(rig: Assembly, id: string, circuit: string, holds: Holds, halves = 1): number[] {
  const goesOn = rig.vehicle.lines.some(({ from }) => from === id)
  const ownMl = holds.ml - (goesOn ? BOLT_ML + tubeMl(PASSAGE) : 0)
  const share = {
    heightM: holds.heightM,
    ml: ownMl / halves,
    takeUpMl: (holds.takeUpMl ?? 0) / halves,
    takeUpKPa: holds.takeUpKPa,
    wallMlPerKPa: (holds.wallMlPerKPa ?? 0) / halves,
  }
  const each = Array.from({ length: halves }, () => addVolumes(rig, id, share))
  for (const [k, { first: to }] of each.entries()) {
    const from = each[k - 1]?.first
    if (from !== undefined)
      rig.link({ from, to, out: ofTubes([CROSSOVER], rig.liquid), takesBack: 'liquid-first' })
  }
  const first = each[0]?.first ?? 0
  const inlet = goesOn ? addBolt(rig, id, holds.heightM, first) : first
  rig.doors.set(doorKey(id, circuit), { in: inlet, out: inlet })
  return each.map(({ last }) => last)
}

/** Three stirred volumes in series; what gives stands behind the last. */
function addVolumes(
  rig: Assembly,
  id: string,
  { heightM, ml, ...gives }: Holds,
): { first: number; last: number } {
  const third = { of: id, heightM, baseMl: Math.max(LEAST_ML, ml) / VOLUMES }
  const first = rig.cell(third)
  let last = first
  for (let k = 1; k < VOLUMES; k++) {
    const next = rig.cell(k === VOLUMES - 1 ? { ...third, ...gives } : third)
    rig.link({
      from: last,
      to: next,
      out: ofHole(2.5, { boreMm: 2.5, lengthM: 0.01 }, rig.liquid),
      // Air stays at the top, where the bleeder is.
      takesBack: 'liquid-first',
    })
    last = next
  }
  return { first, last }
}

/** The hollow bolt that a line goes on from, and the bored passage from there to the pistons. */
function addBolt(rig: Assembly, id: string, heightM: number, first: number): number {
  const inlet = rig.cell({ of: id, heightM, baseMl: BOLT_ML })
  const passage = rig.cell({
    of: id,
    heightM,
    baseMl: tubeMl(PASSAGE),
    boreMm: PASSAGE.boreMm,
    tube: new Tube(),
  })
  const half = ofTubes([{ ...PASSAGE, lengthM: PASSAGE.lengthM / 2 }], rig.liquid)
  rig.link({ from: inlet, to: passage, out: half })
  rig.link({ from: passage, to: first, out: half })
  return inlet
}
