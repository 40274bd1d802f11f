import { data } from 'react-router'
import type { Queries } from '~/db/database.server'
import { shopSettings } from '~/db/settings.server'
import type { JobState } from '~core/run/state'
import type { PlanBase } from './plan-request'

/** What a job's plan page starts from: its vehicle, its work with the reading, and the shop as it is set now. */
export async function planBaseFor(db: Queries, state: JobState): Promise<PlanBase> {
  if (!state.checkIn) throw data(null, { status: 404 })
  return {
    vehicle: state.vehicle,
    work: { ...state.checkIn.work, reading: state.tested?.reading },
    shop: await shopSettings(db),
    takenOrder: state.planned?.plan.order,
  }
}
