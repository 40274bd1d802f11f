import { partsOf } from '../vehicle/parts'
import type { RigRequest } from './request'
import { type Happened, Rig } from './run'

type ById = Record<string, number>
export type RigActAnswer = {
  atS: number
  pedalMm: ById
  lineKPa: ById
  brakeKPa: ById
  /** What came since this act began; below 0 where more went in. */
  out: Record<string, { ml: number; oldPct?: number; airMl: number }>
  levelMl: ById
  happened: Happened[]
}
export type RigAnswer = {
  acts: RigActAnswer[]
  end: {
    levelMl: ById
    oldPct: ById
    reservoirOldPct: ById
    airMl: ById
    airInAllMl: number
    balanceMl: {
      poured: number
      drawn: number
      out: number
      leaked: number
      spilled: number
      heldMore: number
      gap: number
    }
  }
}

/** Less than this came from nowhere but rounding. */
const SOME_ML = 1e-6

const byId = <T>(all: Iterable<T>, id: (one: T) => string, value: (one: T) => number): ById =>
  Object.fromEntries([...all].map((one) => [id(one), value(one)]))

/** What a technician would see and feel after each act, and what is in the vehicle at the end. */
export function runRig(request: RigRequest): RigAnswer {
  const rig = new Rig(request)
  const { assembly } = rig
  const { vehicle, tanks, chambers, outlets } = assembly
  const levels = () =>
    byId(
      tanks,
      ({ id }) => id,
      ({ levelMl }) => levelMl,
    )
  const acts = request.acts.map((act): RigActAnswer => {
    rig.came.clear()
    rig.happened.clear()
    rig.do(act)
    return {
      atS: rig.atS,
      pedalMm: byId(
        partsOf(vehicle, 'master-cylinder'),
        ({ id }) => id,
        ({ id }) => rig.pedalMm(id),
      ),
      lineKPa: byId(
        chambers,
        ({ id }) => id,
        ({ cell }) => assembly.at(cell).kPa,
      ),
      brakeKPa: byId(
        assembly.worn,
        ([id]) => id,
        ([, [first]]) => (first ? assembly.at(first.cell).kPa : 0),
      ),
      out: Object.fromEntries(
        [...rig.came].map(([id, { ml, oldMl, airMl }]) => [
          id,
          { ml, ...(ml > SOME_ML && { oldPct: (100 * oldMl) / ml }), airMl },
        ]),
      ),
      levelMl: levels(),
      happened: [...rig.happened].sort(),
    }
  })
  const airMl: ById = {}
  for (const [i, cell] of assembly.cells.entries())
    if (!assembly.fixed.has(i) && cell.airMl > SOME_ML) airMl[cell.of] = (airMl[cell.of] ?? 0) + cell.airMl
  const { poured, drawn, out, leaked, spilled } = rig.ledger
  const heldMore = rig.heldMoreMl
  return {
    acts,
    end: {
      levelMl: levels(),
      oldPct: byId(
        outlets.filter(({ kind }) => kind === 'bleeder'),
        ({ id }) => id,
        ({ of }) => 100 * assembly.at(of).oldShare,
      ),
      reservoirOldPct: byId(
        tanks,
        ({ id }) => id,
        ({ levelMl, oldMl }) => (levelMl > 0 ? (100 * oldMl) / levelMl : 0),
      ),
      airMl,
      airInAllMl: rig.airMl,
      balanceMl: {
        poured,
        drawn,
        out,
        leaked,
        spilled,
        heldMore,
        gap: poured - drawn - out - leaked - spilled - heldMore,
      },
    },
  }
}
