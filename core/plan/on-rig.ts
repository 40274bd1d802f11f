import { z } from 'zod'
import { fact } from '../base/decision'
import { factSchema } from '../base/fact-schema'
import { lineId } from '../rig/parts/line'
import { Rig } from '../rig/run'
import { usual } from '../rig/usual'
import { withMeasuredWear } from '../vehicle/measured-wear'
import { partsOf } from '../vehicle/parts'
import type { Plan } from './answer'
import { pistonsHome } from './pistons-home'
import type { PlanRequest } from './request'
import { Technician } from './technician'

/** What a plan comes to when somebody does as it says on the simulated vehicle. */
export const onRigSchema = z.strictObject({
  ok: z.boolean(),
  /** Old share of what each bleeder’s outlet holds at the end, per cent; none where it was not run. */
  oldPct: z.record(z.string(), z.number()),
  airMl: z.number(),
  /** New fluid that really went in. */
  usedMl: z.number(),
  ranDry: z.boolean(),
  /** The lowest that each reservoir stood once the work had begun to fill it, mL. */
  leastMl: z.record(z.string(), z.number()),
  /** Travel at an ordinary stop before the work and after, mm, by cylinder. */
  pedalMm: z.record(z.string(), z.strictObject({ before: z.number(), after: z.number() })),
  minutes: z.number(),
  /** Minutes that fluid ran with nobody pressing, and what the plan reckoned by pipes and bleeders alone. */
  flow: z.strictObject({ minutes: z.number(), plannedMinutes: z.number() }).optional(),
  faults: z.array(factSchema),
})
export type OnRig = z.output<typeof onRigSchema>

/** A plan that ends within so much of its target has kept its word: tanks are no pipes. @source from memory */
export const WITHIN_TARGET = 1.3
/** Air that nobody could feel. @source from memory */
const AIR_LEFT_ML = 0.1
/** Air that opening leaves in a part. @source from memory */
const OPENED_AIR_ML = 3
/** Air where the work has let it in: what was opened, and a cylinder that stood dry. */
function airOf({ vehicle, work }: PlanRequest): Record<string, number> {
  const lines = new Set(vehicle.lines.map(lineId))
  // Nothing but air, as much as there is room for.
  if (work.systemEmpty)
    return Object.fromEntries(
      [...lines, ...vehicle.parts.map(({ id }) => id)].map((id) => [id, Number.POSITIVE_INFINITY]),
    )
  const opened = [...new Set([...work.opened, ...work.replaced])].filter(
    (id) =>
      lines.has(id) ||
      vehicle.parts.some((part) => part.id === id && part.type !== 'reservoir' && part.type !== 'pump'),
  )
  return Object.fromEntries(opened.map((id) => [id, OPENED_AIR_ML]))
}

/**
 * Levels as the work begins: a reservoir that is filled without being drawn down or wiped first stood dry, or as low as
 * somebody saw.
 */
function levelsOf(request: PlanRequest, { stages, fluid }: Plan): Record<string, number> {
  const { vehicle, work } = request
  const kinds = new Set(stages.map(({ kind }) => kind))
  if (work.systemEmpty) return Object.fromEntries(partsOf(vehicle, 'reservoir').map(({ id }) => [id, 0]))
  // Whether it runs over when pistons go home depends on where it stood.
  const rising = Object.fromEntries(
    pistonsHome(request).map(({ reservoir, standsMl }) => [reservoir.id, standsMl]),
  )
  if (!kinds.has('reservoir-exchange') || kinds.has('wipe-reservoir')) return rising
  const filled = partsOf(vehicle, 'reservoir').flatMap(({ id }) =>
    fluid.drawToMl[id] === undefined ? [[id, work.levelMl?.[id] ?? 0] as const] : [],
  )
  return { ...Object.fromEntries(filled), ...rising }
}

/** Pressure of an ordinary stop in a cylinder's first chamber, kPa. @source from memory */
const STOP_KPA = 1500
/** So long until what was pressed has come back. */
const RESTS_S = 10

/** Travel of every pedal and lever at an ordinary stop, the booster empty, mm. */
function feel(rig: Rig): Record<string, number> {
  const mm: Record<string, number> = {}
  rig.do({ do: 'wait', for: RESTS_S })
  for (const { id, pedalRatio, chambers } of partsOf(rig.assembly.vehicle, 'master-cylinder')) {
    const areaMm2 = (Math.PI / 4) * (chambers[0]?.boreMm ?? 0) ** 2
    const effortN = ((STOP_KPA * areaMm2) / 1000 + usual.springN) / pedalRatio
    rig.do({ do: 'press', cylinder: id, effortN, overS: 0.3, for: 1.5 })
    mm[id] = rig.pedalMm(id)
    rig.do({ do: 'release', cylinder: id, overS: 0.3, for: 2 })
  }
  return mm
}

/**
 * The plan's own acts by its own method, stage by stage, on the vehicle as a network: what each bleeder ends at, whether a
 * reservoir ran dry, what air is left. A plan that stops is not run.
 *
 * @source the rig; what a technician's hands take is from memory
 */
export function planOnRig(request: PlanRequest, plan: Plan): OnRig | undefined {
  if (plan.verdict === 'stop') return undefined
  const stands = {
    vehicle: withMeasuredWear(request.vehicle, request.work.padWearMm),
    start: {
      levelMl: levelsOf(request, plan),
      airMl: airOf(request),
      closedAirMl: request.work.systemEmpty
        ? Object.fromEntries(
            partsOf(request.vehicle, 'control-unit').map(({ id }) => [id, Number.POSITIVE_INFINITY]),
          )
        : {},
      tempC: request.shop.tempC,
      // On a lift: what an axle's load holds open is shut until the step that holds it.
      axlesHang: true,
    },
  }
  const rig = new Rig(stands)
  const technician = new Technician(rig, request, plan)
  technician.work()
  const oldPct = Object.fromEntries(
    rig.assembly.outlets.flatMap(({ id, kind, of }) =>
      kind === 'bleeder' && !technician.notSimulated.has(id)
        ? [[id, 100 * rig.assembly.at(of).oldShare] as const]
        : [],
    ),
  )
  const minutes = rig.atS / 60
  // Felt on another one before: a foot that presses would move what the work begins with.
  const [before, after] = [feel(new Rig(stands)), feel(rig)]
  const pedalMm = Object.fromEntries(
    Object.entries(before).map(([id, mm]) => [id, { before: mm, after: after[id] ?? mm }]),
  )
  const { targetOldPct } = plan.fluid
  const missed =
    targetOldPct === undefined
      ? []
      : Object.keys(plan.expectedOldPct).filter((id) => (oldPct[id] ?? 0) > WITHIN_TARGET * targetOldPct)
  const faults = [
    ...technician.faults,
    ...(technician.ranDry ? [fact('rig-ran-dry')] : []),
    ...(technician.overflowed ? [fact('rig-overflowed')] : []),
    ...missed.map((bleeder) =>
      fact('rig-target-missed', { bleeder, endsPct: oldPct[bleeder], targetPct: targetOldPct }),
    ),
    ...(rig.airMl > AIR_LEFT_ML ? [fact('rig-air-left', { leftMl: rig.airMl })] : []),
  ]
  return {
    ok: faults.length === 0,
    oldPct,
    airMl: rig.airMl,
    usedMl: rig.ledger.poured,
    ranDry: technician.ranDry,
    leastMl: technician.leastMl,
    pedalMm,
    minutes,
    ...(technician.flowedS > 0 && {
      flow: {
        minutes: technician.flowedS / 60,
        plannedMinutes: plan.stages.reduce(
          (sum, { kind, fluidMinutes }) => sum + (kind === 'bleed' ? fluidMinutes : 0),
          0,
        ),
      },
    }),
    faults,
  }
}
