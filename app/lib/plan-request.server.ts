import { data } from 'react-router'
import type { Queries } from '~/db/database.server'
import { fluidNow } from '~/db/due.server'
import { shopPolicy } from '~/db/policy.server'
import { shopSettings } from '~/db/settings.server'
import { limitsFor } from '~core/policy/policy'
import type { JobState } from '~core/run/state'
import type { PlanBase } from './plan-request'
import { today } from './today'

/** What a job's plan page starts from: its vehicle, its work with the reading, and the shop as it is set now. */
export async function planBaseFor(db: Queries, state: JobState): Promise<PlanBase> {
  if (!state.checkIn) throw data(null, { status: 404 })
  const { vehicle, tested } = state
  const now = (await fluidNow(db, [state.vehicleId], today())).get(state.vehicleId)
  const limits = limitsFor(await shopPolicy(db), {
    spec: now?.spec ?? vehicle.fluid.spec,
    kind: vehicle.kind,
    hardUse: now?.hardUse ?? [],
  })
  const product = tested?.product && { dryC: tested.product.dryC, wetC: tested.product.wetC }
  return {
    vehicle,
    work: { ...state.checkIn.work, reading: tested?.reading, product },
    shop: {
      ...(await shopSettings(db)),
      // A rule that the shop does not use leaves the plan with the limit of common practice.
      moisture: { waterPct: limits.water, marginC: limits.boiling, copperPpm: limits.copper },
    },
    takenOrder: state.planned?.plan.order,
  }
}
