import { type Fact, fact } from '../base/decision'
import { lineId } from '../rig/parts/line'
import { Rig } from '../rig/run'
import { partsOf } from '../vehicle/parts'
import type { Plan } from './answer'
import type { PlanRequest } from './request'
import { Technician } from './technician'

/** What a plan comes to when somebody does as it says on the simulated vehicle. */
export type OnRig = {
  ok: boolean
  /** Old share of what each bleeder’s outlet holds at the end, per cent; none where it was not run. */
  oldPct: Record<string, number>
  airMl: number
  /** New fluid that really went in. */
  usedMl: number
  ranDry: boolean
  minutes: number
  faults: Fact[]
}

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
function levelsOf({ vehicle, work }: PlanRequest, { stages, fluid }: Plan): Record<string, number> {
  const kinds = new Set(stages.map(({ kind }) => kind))
  if (work.systemEmpty) return Object.fromEntries(partsOf(vehicle, 'reservoir').map(({ id }) => [id, 0]))
  if (!kinds.has('reservoir-exchange') || kinds.has('wipe-reservoir')) return {}
  return Object.fromEntries(
    partsOf(vehicle, 'reservoir').flatMap(({ id }) =>
      fluid.drawToMl[id] === undefined ? [[id, work.levelMl?.[id] ?? 0] as const] : [],
    ),
  )
}

/**
 * The plan's own acts by its own method, stage by stage, on the vehicle as a network: what each bleeder ends at, whether a
 * reservoir ran dry, what air is left. A plan that stops is not run.
 *
 * @source the rig; what a technician's hands take is from memory
 */
export function planOnRig(request: PlanRequest, plan: Plan): OnRig | undefined {
  if (plan.verdict === 'stop') return undefined
  const rig = new Rig({
    vehicle: request.vehicle,
    start: {
      oldPct: 100,
      newIn: [],
      levelMl: levelsOf(request, plan),
      airMl: airOf(request),
      closedAirMl: request.work.systemEmpty
        ? Object.fromEntries(
            partsOf(request.vehicle, 'control-unit').map(({ id }) => [id, Number.POSITIVE_INFINITY]),
          )
        : {},
      tempC: request.shop.tempC,
      boost: false,
    },
    faults: [],
  })
  const technician = new Technician(rig, request, plan)
  technician.work()
  const oldPct = Object.fromEntries(
    rig.assembly.outlets.flatMap(({ id, kind, of }) =>
      kind === 'bleeder' && !technician.notSimulated.has(id)
        ? [[id, 100 * rig.assembly.at(of).oldShare] as const]
        : [],
    ),
  )
  const { targetOldPct } = plan.fluid
  const missed =
    targetOldPct === undefined
      ? []
      : Object.keys(plan.expectedOldPct).filter((id) => (oldPct[id] ?? 0) > WITHIN_TARGET * targetOldPct)
  const faults = [
    ...technician.faults,
    ...(technician.ranDry ? [fact('rig-ran-dry')] : []),
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
    minutes: rig.atS / 60,
    faults,
  }
}
