import { data } from 'react-router'
import type { Queries } from '~/db/database.server'
import { shopSettings } from '~/db/settings.server'
import { orderSchoolIds } from '~core/order'
import type { PlanRequest, Shop } from '~core/plan/request'
import type { JobState } from '~core/run/state'
import { type Quantity, quantities, readQuantity, unitsOf } from '~core/units/units'
import { allBleeders } from '~core/vehicle/parts'
import { parseDecimal, unitFieldOf } from './fields'
import { USUAL_ORDER } from './order-in-address'

/** A unit the quantity has, or its metric one. */
const known = (quantity: Quantity, unit: string) =>
  unitsOf(quantity).includes(unit) ? unit : quantities[quantity].metric

/** What a person may change on the plan page before taking it; anything unreadable leaves the shop's own. */
function changedShop(shop: Shop, changes: URLSearchParams): Shop {
  const unit = changes.get(unitFieldOf('tempC')) ?? '°C'
  const tempC = readQuantity(changes.get('tempC') ?? '', 'temperature', known('temperature', unit))?.metric
  const targetOldPct = parseDecimal(changes.get('targetOldPct') ?? undefined)
  const methods = changes.getAll('method').filter((id) => shop.methods.some((method) => method === id))
  return {
    ...shop,
    tempC: tempC !== undefined && tempC >= -40 && tempC <= 60 ? tempC : shop.tempC,
    targetOldPct:
      typeof targetOldPct === 'number' && targetOldPct >= 0.1 && targetOldPct <= 50
        ? targetOldPct
        : shop.targetOldPct,
    orderSchool: orderSchoolIds.find((id) => id === changes.get('orderSchool')) ?? shop.orderSchool,
    methods:
      methods.length > 0
        ? [
            ...shop.methods.filter((id) => ['bench', 'ports', 'control-unit'].includes(id)),
            ...shop.methods.filter((id) => methods.includes(id)),
          ]
        : shop.methods,
  }
}

/**
 * The order set by hand on the plan page, else the one of the plan that was taken; bleeders the vehicle does not have
 * are left out. The reason comes with the taking of the plan.
 */
function orderFrom(changes: URLSearchParams, { vehicle, planned }: JobState, why: string) {
  if (changes.has(USUAL_ORDER)) return undefined
  const known = new Set(allBleeders(vehicle).map(({ bleeder }) => bleeder.id))
  const asked = [...new Set(changes.getAll('order'))].filter((id) => known.has(id))
  if (asked.length > 0) return { bleeders: asked, why }
  const taken = planned?.plan.order
  return taken?.stated && { bleeders: taken.bleeders, why: why || taken.stated.why }
}

/** The request behind a job's plan page: its vehicle, its work with the reading, and the shop as changed there. */
export async function planRequestFor(
  db: Queries,
  state: JobState,
  changes: URLSearchParams,
  orderWhy = '',
): Promise<PlanRequest> {
  if (!state.checkIn) throw data(null, { status: 404 })
  return {
    vehicle: state.vehicle,
    work: {
      ...state.checkIn.work,
      reading: state.tested?.reading,
      order: orderFrom(changes, state, orderWhy),
    },
    shop: changedShop(await shopSettings(db), changes),
  }
}
