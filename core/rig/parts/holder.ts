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

/**
 * What stands at a line's end: three stirred volumes in series, as an exchange is reckoned. What gives stands behind the
 * last, where the bleeder is. A line that goes on to another brake leaves at the hollow bolt, before any of them.
 *
 * @source common practice: two hoses on one hollow bolt
 */
export function addHolder(rig: Assembly, id: string, circuit: string, holds: Holds): number {
  const { heightM, ml, ...gives } = holds
  const goesOn = rig.vehicle.lines.some(({ from }) => from === id)
  const ownMl = ml - (goesOn ? BOLT_ML + tubeMl(PASSAGE) : 0)
  const third = { of: id, heightM, baseMl: Math.max(LEAST_ML, ownMl) / VOLUMES }
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
  let inlet = first
  if (goesOn) {
    inlet = rig.cell({ of: id, heightM, baseMl: BOLT_ML })
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
  }
  rig.doors.set(doorKey(id, circuit), { in: inlet, out: inlet })
  return last
}
