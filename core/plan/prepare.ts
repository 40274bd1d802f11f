import type { Notice, Reason } from '../base/decision'
import { fluidOf } from '../fluid/specs'
import type { Feeding } from '../physics/exchange/least-through'
import { techniqueOf } from '../technique'
import { type Choice, chooseTechnique, type NoChoice } from '../technique/choose'
import {
  type Corner,
  type MethodId,
  type Technique,
  type TechniqueContext,
  usualUnknowns,
} from '../technique/technique'
import { type RoutedBleeder, reservoirIdOf } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { PartOf } from '../vehicle/schema'
import { portsCovered } from '../vehicle/usual-volumes'
import {
  type Amounts,
  clearingAmounts,
  exchangeAmounts,
  feedingOf,
  type Opened,
  type ReservoirStart,
  refillsFor,
} from './amounts'
import { bleedOrder } from './order/bleed-order'
import { compareOrders, type SchoolOrder } from './order/compare-orders'
import { orderWarnings } from './order/order-warnings'
import { levelsThen } from './pistons-home'
import { inProcedureOrder } from './procedures'
import type { PlanRequest } from './request'
import { decideScope, type Scope } from './scope/scope'
import { unitsToCycle } from './units'
import { volumesInOrder, wearAtBleed } from './volumes'

const CONVERSION_TARGET_PCT = 1
const ROUTINE_TARGET_PCT = 5

/** The order, with each bleeder's run, beside what other schools would do. */
type Ordered = {
  bleeders: RoutedBleeder[]
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
    reasons: order.reasons,
    schools: compareOrders(vehicle, scope.bleeders, conversion, shop.orderSchool, order.value),
    warnings: work.order ? orderWarnings(vehicle, bleeders, conversion) : [],
    usual: usual.value,
  }
}

function reservoirsFeeding({ vehicle }: PlanRequest, scope: Scope) {
  const ids = new Set(
    [
      ...scope.bleeders.map(({ route }) => route && reservoirIdOf(vehicle, route.sourceId)),
      ...scope.cylinderBleeders.map(({ part }) => part.type === 'master-cylinder' && part.fedBy),
    ].filter((id) => typeof id === 'string'),
  )
  return { ids, reservoirs: partsOf(vehicle, 'reservoir').filter((reservoir) => ids.has(reservoir.id)) }
}

/**
 * How each reservoir is begun. Wrong fluid is wiped out; one that is new, or came off with a cylinder for the vice,
 * holds nothing, one that ran dry what was seen in it, if anything was; the others are drawn down.
 */
function reservoirStart(
  reservoir: PartOf<'reservoir'>,
  { vehicle, work }: PlanRequest,
  scope: Scope,
  cylinder: Choice | NoChoice,
): ReservoirStart {
  const { id } = reservoir
  if (work.reason === 'conversion') return 'wiped'
  const offWithCylinder =
    scope.cylinder !== 'none' &&
    cylinder.technique?.cylinder === 'in-vice' &&
    partsOf(vehicle, 'master-cylinder').some(
      (each) => each.fedBy === id && scope.cylinderIds.includes(each.id),
    )
  if (work.systemEmpty || work.replaced.includes(id) || offWithCylinder) return { standsAtMl: 0 }
  const seenMl = work.levelMl?.[id]
  if (seenMl !== undefined)
    return seenMl <= portsCovered(vehicle, reservoir).ml ? { standsAtMl: seenMl } : 'drawn'
  return work.ranDry ? { standsAtMl: 0 } : 'drawn'
}

/** What a plan stands on, before it is put into stages: how far, in which order, by which method, from what. */
export type Prepared = {
  scope: Scope
  scopeReasons: Reason[]
  ordered: Ordered
  reservoirIds: Set<string>
  reservoirs: PartOf<'reservoir'>[]
  targetPct: number
  /** How the way that is taken keeps the reservoir full, and how many bleeders run together. */
  feeding: Feeding
  /** Every bleeder as its turn comes, with what stands before it then. */
  opened: Opened[]
  /** What goes through them, by the way that is taken. */
  amounts: Amounts
  /** Bleeders that a person's own method opens. */
  corners: Corner[]
  /** Bleeders that only the control unit's pump can push fluid through. */
  unitCorners: Corner[]
  context: TechniqueContext
  choice: Choice | NoChoice
  /** How the master cylinder's own air is let out. */
  cylinder: Choice | NoChoice
  /** How a foot bleeds, where a unit’s routine says that it does. */
  foot: Choice | NoChoice
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
function splitByPump({ vehicle, shop }: PlanRequest, bleeders: readonly RoutedBleeder[]) {
  const pumps = new Set(partsOf(vehicle, 'pump').map(({ id }) => id))
  const driven =
    shop.methods.includes('control-unit') &&
    partsOf(vehicle, 'control-unit').some(({ routine }) => routine !== 'none')
  const byUnit = ({ route }: RoutedBleeder) => driven && route !== undefined && pumps.has(route.sourceId)
  return { own: bleeders.filter((each) => !byUnit(each)), byUnit: bleeders.filter(byUnit) }
}

/** Where no way fits, amounts are those of a way that leaves the level to somebody with a container. */
const byHand = { fed: false, atOnce: 1 }

export function preparePlan(request: PlanRequest): Prepared {
  const { vehicle, work, shop } = request
  const conversion = work.reason === 'conversion'
  const { value: scope, reasons: scopeReasons } = decideScope(vehicle, work, shop.scopeSchool)
  const ordered = orderBleeders(request, scope)
  const { ids: reservoirIds, reservoirs } = reservoirsFeeding(request, scope)
  const targetPct = shop.targetOldPct ?? (conversion ? CONVERSION_TARGET_PCT : ROUTINE_TARGET_PCT)
  const split = splitByPump(request, ordered.bleeders)
  // A routine that only drives brakes of its own comes before the foot; one that cycles, after the base bleed.
  const inTurn =
    unitsToCycle(request).length > 0
      ? [...split.own, ...split.byUnit]
      : inProcedureOrder(vehicle, [...split.byUnit, ...split.own])
  const openedBy = ({ atOnce }: Feeding): Opened[] => {
    const volumeMl = volumesInOrder(vehicle, inTurn, wearAtBleed(work), false, atOnce)
    return inTurn.map((placed) => ({ ...placed, volumeMl: volumeMl.get(placed.bleeder.id) ?? 0 }))
  }
  const available = methodsOf(request)
  const context: TechniqueContext = {
    vehicle,
    fluid: fluidOf(fluidUsed(request)),
    tempC: shop.tempC,
    conversion,
    exchange: scope.exchange,
    corners: [],
    reservoirs,
    cylinders: partsOf(vehicle, 'master-cylinder').filter(({ id }) => scope.cylinderIds.includes(id)),
    cylinderOut: scope.cylinder === 'bench',
    helper: shop.helpers > 0 && shop.methods.some((id) => id === 'two-person' || id === 'ports'),
    lacks: new Set(shop.lacks),
    adapters: shop.adapters,
    unknowns: usualUnknowns,
  }
  const cylinder = chooseTechnique('cylinder', () => context, available, work.ways)
  const starts = reservoirs.map((reservoir) => ({
    reservoir,
    start: reservoirStart(reservoir, request, scope, cylinder),
  }))
  const amountsBy = amountsOnce((feeding) =>
    scope.exchange
      ? exchangeAmounts(vehicle, openedBy(feeding), starts, feeding, targetPct / 100)
      : clearingAmounts(
          openedBy(feeding),
          targetPct / 100,
          refillsFor(vehicle, reservoirs, levelsThen(request)),
        ),
  )
  const cornersOf = (bleeders: readonly RoutedBleeder[], { throughMl }: Amounts): Corner[] =>
    bleeders.map((placed) => ({
      ...placed,
      segments: placed.route?.lines.flatMap((line) => line.segments) ?? [],
      throughMl: throughMl.get(placed.bleeder.id) ?? 0,
    }))
  const choice = chooseTechnique(
    'bleeders',
    (technique) => ({ ...context, corners: cornersOf(split.own, amountsBy(technique)) }),
    available,
    work.ways,
  )
  const feeding = choice.technique ? feedingOf(choice.technique) : byHand
  const amounts = amountsBy(choice.technique)
  const [corners, unitCorners] = [cornersOf(split.own, amounts), cornersOf(split.byUnit, amounts)]
  return {
    scope,
    scopeReasons,
    ordered,
    reservoirIds,
    reservoirs,
    targetPct,
    feeding,
    opened: openedBy(feeding),
    amounts,
    corners,
    unitCorners,
    context: { ...context, corners },
    choice,
    cylinder,
    // Elsewhere nothing asks for it.
    foot: partsOf(vehicle, 'control-unit').some(({ routine }) => routine === 'maker-led')
      ? chooseTechnique(
          'bleeders',
          (technique) => ({ ...context, corners: cornersOf(split.own, amountsBy(technique)) }),
          available.filter((method) => method === 'two-person' || method === 'solo'),
          work.ways.filter(({ technique }) => techniqueOf(technique).drives === 'foot'),
        )
      : choice,
    unit: chooseTechnique('unit', () => ({ ...context, corners: unitCorners }), available, work.ways),
  }
}

/** Amounts worked out once for each way of keeping the reservoir full: most techniques share one. */
function amountsOnce(amounts: (feeding: Feeding) => Amounts): (technique?: Technique) => Amounts {
  const known = new Map<string, Amounts>()
  return (technique) => {
    const feeding = technique ? feedingOf(technique) : byHand
    const key = JSON.stringify(feeding)
    const found = known.get(key) ?? amounts(feeding)
    known.set(key, found)
    return found
  }
}
