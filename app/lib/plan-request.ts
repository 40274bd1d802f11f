import { parseDecimal, unitFieldOf } from '~/lib/fields'
import { USUAL_ORDER } from '~/lib/order-in-address'
import { fluidSpecs } from '~core/fluid/specs'
import type { PlanOrder } from '~core/plan/answer'
import { orderSchoolIds } from '~core/plan/order'
import { type PlanRequest, type Shop, unitReasons } from '~core/plan/request'
import { techniqueIds } from '~core/technique/technique'
import { isUnitOf, type Quantity, quantities, readQuantity } from '~core/units/units'
import { allBleeders } from '~core/vehicle/parts'

/** What a plan page starts from: the job's vehicle and work, the shop as it is set, the order of a plan taken before. */
export type PlanBase = PlanRequest & { takenOrder?: PlanOrder }

/** Reasons for what was changed by hand; they come with the taking of the plan. */
export type Whys = { order?: string; way?: string }

/** Stands where a reason is still to be given. */
const TO_BE_GIVEN = '…'

/** A unit the quantity has, or its metric one. */
const known = (quantity: Quantity, unit: string) =>
  isUnitOf(quantity, unit) ? unit : quantities[quantity].metric

/** The temperature an address asks for; undefined where it asks for none that a shop has. */
export function temperatureIn(changes: URLSearchParams): number | undefined {
  const unit = changes.get(unitFieldOf('tempC')) ?? '°C'
  const tempC = readQuantity(changes.get('tempC') ?? '', 'temperature', known('temperature', unit))?.metric
  return tempC !== undefined && tempC >= -40 && tempC <= 60 ? tempC : undefined
}

/** The share of old an address asks for, %; undefined where it asks for none that makes sense. */
export function targetIn(changes: URLSearchParams): number | undefined {
  const pct = parseDecimal(changes.get('targetOldPct') ?? undefined)
  return typeof pct === 'number' && pct >= 0.1 && pct <= 50 ? pct : undefined
}

function changedShop(shop: Shop, changes: URLSearchParams): Shop {
  return {
    ...shop,
    tempC: temperatureIn(changes) ?? shop.tempC,
    targetOldPct: targetIn(changes) ?? shop.targetOldPct,
    orderSchool: orderSchoolIds.find((id) => id === changes.get('orderSchool')) ?? shop.orderSchool,
  }
}

/**
 * The order set by hand on the plan page, else the one of the plan that was taken; bleeders the vehicle does not have
 * are left out.
 */
function orderFrom({ vehicle, takenOrder }: PlanBase, changes: URLSearchParams, why: string) {
  if (changes.has(USUAL_ORDER)) return undefined
  const bleeders = new Set(allBleeders(vehicle).map(({ bleeder }) => bleeder.id))
  const asked = [...new Set(changes.getAll('order'))].filter((id) => bleeders.has(id))
  if (asked.length > 0) return { bleeders: asked, why }
  return takenOrder?.stated && { bleeders: takenOrder.bleeders, why: why || takenOrder.stated.why }
}

/**
 * The request behind a plan page: what the job and the shop say, with what a person changed on the page before taking
 * it. The same on the page, which plans anew at every change, and on the server, which takes nothing at its word.
 */
export function changedRequest(base: PlanBase, changes: URLSearchParams, whys: Whys = {}): PlanRequest {
  const ways = techniqueIds.filter((id) => changes.getAll('way').includes(id)).slice(0, 3)
  const workUnit = unitReasons.find((why) => why === changes.get('unit'))
  const fluidUsed = fluidSpecs.find((spec) => spec === changes.get('fluid'))
  return {
    vehicle: base.vehicle,
    work: {
      ...base.work,
      order: orderFrom(base, changes, whys.order ?? ''),
      ways: ways.map((technique) => ({ technique, why: whys.way || TO_BE_GIVEN })),
      ...(workUnit && { workUnit }),
      ...(fluidUsed && fluidUsed !== base.vehicle.fluid.spec && { fluidUsed }),
    },
    shop: changedShop(base.shop, changes),
  }
}
