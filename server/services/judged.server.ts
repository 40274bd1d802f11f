import { today } from '~/lib/today'
import { monthsBetween } from '~core/base/day'
import type { FluidCase } from '~core/fluid/judge'
import { limitsFor } from '~core/fluid/policy/policy'
import type { JobState } from '~core/job/state'
import type { Queries } from '~server/db/database.server'
import { fluidNow } from '~server/store/fluid-histories.server'
import { type ShopSays, shopSays } from '~server/store/settings.server'

/**
 * What the readings of this job are judged against: what is in the vehicle, since when, and the shop's limits for it.
 *
 * @param said by the shop, where it was asked already
 */
export async function judgedBy(db: Queries, { vehicle, vehicleId, checkIn }: JobState, said?: ShopSays) {
  const { shop, policy } = said ?? (await shopSays(db))
  const now = (await fluidNow(db, [vehicleId], today())).get(vehicleId)
  const spec = now?.spec ?? vehicle.fluid.spec
  const { exchangedOn, exchangedKm } = now?.history ?? {}
  const km = checkIn?.odometerKm
  const base: Omit<FluidCase, 'readings' | 'product'> = {
    spec,
    kind: vehicle.kind,
    heightM: shop.heightM,
    monthsSince: exchangedOn === undefined ? undefined : monthsBetween(exchangedOn, today()),
    kmSince: exchangedKm === undefined || km === undefined ? undefined : Math.max(0, km - exchangedKm),
  }
  const hardUse = now?.hardUse ?? []
  return {
    base,
    hardUse,
    product: now?.product,
    limits: limitsFor(policy, { ...base, hardUse }),
  }
}
