import { z } from 'zod'
import { partsOf } from '../vehicle/parts'
import type { RigRequest } from './request'
import { happenings, Rig } from './run'

const byIdSchema = z.record(z.string(), z.number())
type ById = z.output<typeof byIdSchema>
const outSchema = z.strictObject({ ml: z.number(), oldPct: z.number().optional(), airMl: z.number() })

const rigActAnswerSchema = z.strictObject({
  atS: z.number(),
  pedalMm: byIdSchema,
  lineKPa: byIdSchema,
  brakeKPa: byIdSchema,
  /** What came since this act began; below 0 where more went in. */
  out: z.record(z.string(), outSchema),
  levelMl: byIdSchema,
  happened: z.array(z.enum(happenings)),
})
export type RigActAnswer = z.output<typeof rigActAnswerSchema>

/** What a rig request is answered with. */
export const rigAnswerSchema = z.strictObject({
  acts: z.array(rigActAnswerSchema),
  end: z.strictObject({
    levelMl: byIdSchema,
    oldPct: byIdSchema,
    reservoirOldPct: byIdSchema,
    airMl: byIdSchema,
    airInAllMl: z.number(),
    balanceMl: z.strictObject({
      poured: z.number(),
      drawn: z.number(),
      out: z.number(),
      leaked: z.number(),
      spilled: z.number(),
      heldMore: z.number(),
      gap: z.number(),
    }),
  }),
})
export type RigAnswer = z.output<typeof rigAnswerSchema>

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
