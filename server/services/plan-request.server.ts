import { data } from 'react-router'
import type { PlanBase } from '~/lib/plan-request'
import { today } from '~/lib/today'
import type { JobState } from '~core/job/state'
import type { Shop } from '~core/plan/request'
import { freeMl } from '~core/stock/container'
import { pastItsTime } from '~core/stock/may-pour'
import type { OpenedRuleId } from '~core/stock/opened-rule'
import { openFirst } from '~core/stock/reserve'
import type { Queries } from '~server/db/database.server'
import { shopSays } from '~server/store/settings.server'
import { containersFor } from '~server/store/shelf.server'
import { judgedBy } from './judged.server'

/** What a job's plan page starts from: its vehicle, its work with the reading, and the shop as it is set now. */
export async function planBaseFor(db: Queries, jobId: string, state: JobState): Promise<PlanBase> {
  if (!state.checkIn) throw data(null, { status: 404 })
  const { vehicle, tested } = state
  const said = await shopSays(db)
  const { base: judged, limits } = await judgedBy(db, state, said)
  const product = tested?.product && { dryC: tested.product.dryC, wetC: tested.product.wetC }
  return {
    vehicle,
    work: {
      ...state.checkIn.work,
      reading: tested?.reading,
      readings: tested?.readings && tested.readings.length > 0 ? tested.readings : undefined,
      monthsSince: judged.monthsSince,
      kmSince: judged.kmSince,
      product,
    },
    shop: {
      ...said.shop,
      onHand: await pourable(db, jobId, said.shelf.rule),
      limits,
    },
    takenOrder: state.planned?.plan.order,
  }
}

/** More containers than this are not told a plan: what stands open and what stood longest come first. */
const MOST_ON_HAND = 50

/** Containers that may be poured into a job, what stands open first; what other jobs have reserved is not there. */
async function pourable(db: Queries, jobId: string, rule: OpenedRuleId): Promise<Shop['onHand']> {
  const usable = openFirst(await containersFor(db, jobId)).flatMap((container): Shop['onHand'] => {
    const ml = Math.floor(freeMl(container))
    if (ml < 1 || pastItsTime(container, { rule, today: today() })) return []
    return [{ spec: container.spec, ml, count: 1, ...(container.openedOn !== undefined && { opened: true }) }]
  })
  return usable.slice(0, MOST_ON_HAND)
}
