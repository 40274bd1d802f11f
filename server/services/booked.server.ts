import type { FluidSpec } from '~core/fluid/specs'
import { planNow } from '~core/job/selectors'
import { jobTally } from '~core/job/tally'
import { makePlan } from '~core/plan/plan'
import type { Database } from '~server/db/database.server'
import { findJob, openJobs } from '~server/store/jobs.server'
import { planBaseFor } from './plan-request.server'

export type Booked = { jobId: string; plate: string; spec: FluidSpec; ml: number; planned: boolean }

/** What each job that is in still needs: by the plan that was taken, else by the one it would get now. */
export async function bookedIn(db: Database): Promise<Booked[]> {
  const booked: Booked[] = []
  for (const { id } of await openJobs(db)) {
    const state = await findJob(db, id)
    if (!state?.checkIn) continue
    const plan = planNow(state) ?? makePlan(await planBaseFor(db, id, state))
    if (plan.verdict === 'stop') continue
    const ml = Math.max(
      0,
      plan.fluid.totalMl - (state.run ? jobTally({ run: state.run, earlier: [] }).inMl : 0),
    )
    booked.push({
      jobId: id,
      plate: state.plate,
      spec: plan.fluid.spec,
      ml,
      planned: state.planned !== undefined,
    })
  }
  return booked
}
