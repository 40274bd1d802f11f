import type { Notice, Reason } from '../base/decision'
import { fluidOf } from '../fluid/specs'
import { cornerVolumes } from '../physics/exchange/purge'
import { type Choice, chooseTechnique, type NoChoice } from '../technique/choose'
import { type Corner, type MethodContext, type MethodId, usualUnknowns } from '../technique/technique'
import { type BleederRun, reservoirIdOf } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { PartOf } from '../vehicle/schema'
import { bleedOrder } from './order/bleed-order'
import { compareOrders, type SchoolOrder } from './order/compare-orders'
import { orderWarnings } from './order/order-warnings'
import type { PlanRequest } from './request'
import { decideScope, type Scope } from './scope/scope'
import { volumesInOrder } from './volumes'

const CONVERSION_TARGET_PCT = 1
const ROUTINE_TARGET_PCT = 5

/** The order, with each bleeder's run and the volume that stands before it, beside what other schools would do. */
type Ordered = {
  bleeders: BleederRun[]
  volumeMl: Map<string, number>
  reasons: Reason[]
  schools: SchoolOrder[]
  /** What an order set by hand brings into what is clean. */
  warnings: Notice[]
  /** The order without what a person set. */
  usual: string[]
}

function orderBleeders({ vehicle, work, shop }: PlanRequest, scope: Scope): Ordered {
  const conversion = work.reason === 'conversion'
  const order = bleedOrder(vehicle, scope.bleeders, shop.orderSchool, conversion, work.order)
  const usual = bleedOrder(vehicle, scope.bleeders, shop.orderSchool, conversion)
  const bleeders = order.value.flatMap((id) => scope.bleeders.filter(({ bleeder }) => bleeder.id === id))
  return {
    bleeders,
    volumeMl: volumesInOrder(vehicle, bleeders, work.padWearMm),
    reasons: order.reasons,
    schools: compareOrders(vehicle, scope.bleeders, conversion, shop.orderSchool, order.value),
    warnings: work.order ? orderWarnings(vehicle, bleeders, conversion) : [],
    usual: usual.value,
  }
}

function reservoirsFeeding({ vehicle }: PlanRequest, scope: Scope) {
  const ids = new Set(
    [
      ...scope.bleeders.map(({ run }) => run && reservoirIdOf(vehicle, run.sourceId)),
      ...scope.cylinderBleeders.map(({ part }) => part.type === 'master-cylinder' && part.fedBy),
    ].filter((id) => typeof id === 'string'),
  )
  return { ids, reservoirs: partsOf(vehicle, 'reservoir').filter((reservoir) => ids.has(reservoir.id)) }
}

/**
 * New fluid for the reservoirs. Drawn down to MIN and filled to MAX, so that no port is uncovered; filled from
 * empty where it stood dry or is new; a conversion fills the wiped reservoir, works it through, empties it and
 * fills it once more. None where only one corner is bled.
 */
function reservoirFill(
  { work }: PlanRequest,
  scope: Scope,
  reservoirs: ReturnType<typeof reservoirsFeeding>['reservoirs'],
): number {
  if (work.reason === 'conversion') return reservoirs.reduce((sum, { maxMl }) => sum + 2 * maxMl, 0)
  if (!scope.whole) return 0
  return reservoirs.reduce((sum, { id, maxMl, minMl }) => {
    const empty = work.ranDry || work.systemEmpty || work.replaced.includes(id)
    return sum + (empty ? maxMl : maxMl - minMl)
  }, 0)
}

/** What a plan stands on, before it is put into stages: how far, in which order, by which method, from what. */
export type Prepared = {
  scope: Scope
  scopeReasons: Reason[]
  ordered: Ordered
  reservoirIds: Set<string>
  reservoirs: PartOf<'reservoir'>[]
  reservoirMl: number
  targetPct: number
  /** Volumes to push through each bleeder for that target. */
  theta: number
  /** Bleeders that a person's own method opens. */
  corners: Corner[]
  /** Bleeders that only the control unit's pump can push fluid through. */
  unitCorners: Corner[]
  context: MethodContext
  choice: Choice | NoChoice
  /** How the master cylinder's own air is let out. */
  cylinder: Choice | NoChoice
  /** How the control unit is worked. */
  unit: Choice | NoChoice
}

/** The fluid that goes in: the vehicle's own, or the one that was asked for. */
export const fluidUsed = ({ vehicle, work }: PlanRequest) => work.fluidUsed ?? vehicle.fluid.spec

/** What the shop can do; a cylinder's ports can be cracked wherever somebody presses a pedal. */
function methodsOf({ shop }: PlanRequest): MethodId[] {
  const pedal = shop.methods.some((id) => id === 'two-person' || id === 'solo')
  return pedal && !shop.methods.includes('ports') ? [...shop.methods, 'ports'] : shop.methods
}

/** Bleeders fed by a pump inside the unit are the unit's to drive, where it offers a routine and the shop has the tool. */
function splitByPump({ vehicle, shop }: PlanRequest, corners: Corner[]) {
  const pumps = new Set(partsOf(vehicle, 'pump').map(({ id }) => id))
  const driven =
    shop.methods.includes('control-unit') &&
    partsOf(vehicle, 'control-unit').some(({ routine }) => routine !== 'none')
  const byUnit = ({ run }: Corner) => driven && run !== undefined && pumps.has(run.sourceId)
  return { own: corners.filter((corner) => !byUnit(corner)), byUnit: corners.filter(byUnit) }
}

export function preparePlan(request: PlanRequest): Prepared {
  const { vehicle, work, shop } = request
  const conversion = work.reason === 'conversion'
  const { value: scope, reasons: scopeReasons } = decideScope(vehicle, work, shop.scopeSchool)
  const ordered = orderBleeders(request, scope)
  const { ids: reservoirIds, reservoirs } = reservoirsFeeding(request, scope)
  const targetPct = shop.targetOldPct ?? (conversion ? CONVERSION_TARGET_PCT : ROUTINE_TARGET_PCT)
  const theta = cornerVolumes(targetPct / 100)
  const all: Corner[] = ordered.bleeders.map((placed) => ({
    ...placed,
    segments: placed.run?.lines.flatMap((line) => line.segments) ?? [],
    throughMl: theta * (ordered.volumeMl.get(placed.bleeder.id) ?? 0),
  }))
  const { own: corners, byUnit: unitCorners } = splitByPump(request, all)
  const available = methodsOf(request)
  const context: MethodContext = {
    vehicle,
    fluid: fluidOf(fluidUsed(request)),
    tempC: shop.tempC,
    conversion,
    corners,
    reservoirs,
    cylinders: partsOf(vehicle, 'master-cylinder').filter(({ id }) => scope.cylinderIds.includes(id)),
    cylinderOut: scope.cylinder === 'bench',
    helper: shop.helpers > 0 && shop.methods.some((id) => id === 'two-person' || id === 'ports'),
    lacks: new Set(shop.lacks),
    adapters: shop.adapters,
    unknowns: usualUnknowns,
  }
  return {
    scope,
    scopeReasons,
    ordered,
    reservoirIds,
    reservoirs,
    reservoirMl: reservoirFill(request, scope, reservoirs),
    targetPct,
    theta,
    corners,
    unitCorners,
    context,
    choice: chooseTechnique('bleeders', context, available, work.ways),
    cylinder: chooseTechnique('cylinder', context, available, work.ways),
    unit: chooseTechnique('unit', { ...context, corners: unitCorners }, available, work.ways),
  }
}

/** Old share a reservoir begins with, once its own stage is done. */
export function startShareOf(
  { id, minMl, maxMl }: PartOf<'reservoir'>,
  { work }: PlanRequest,
  { scope }: Pick<Prepared, 'scope'>,
): number {
  const clean = work.reason === 'conversion' || work.ranDry || work.systemEmpty || work.replaced.includes(id)
  return clean ? 0 : scope.whole ? minMl / maxMl : 1
}
