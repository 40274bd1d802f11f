import type { RouterContextProvider } from 'react-router'
import { changedRequest } from '~/lib/plan-request'
import { orNotFound } from '~/lib/require'
import { handsOn, planNow } from '~core/job/selectors'
import { makePlan } from '~core/plan/plan'
import type { PlanRequest } from '~core/plan/request'
import { worded } from '~core/words'
import { planBaseFor } from '~server/services/plan-request.server'
import { findJob } from '~server/store/jobs.server'
import { database } from './context.server'
import { sayHere } from './say.server'

/** What a job's planner is asked and what it answers, as the `siphon` command reads and prints them. */
export async function planFiles(context: Readonly<RouterContextProvider>, jobId: string, request: Request) {
  const db = context.get(database)
  const state = orNotFound(await findJob(db, jobId))
  const changes = new URL(request.url).searchParams
  const { vehicle, work, shop } = changedRequest(await planBaseFor(db, jobId, state), changes)
  // A reason that is still to be given is none, and the file's reader asks for one.
  const asked: PlanRequest = {
    vehicle,
    work: {
      ...work,
      ways: work.ways.map((way) => ({ ...way, why: 'chosen on the plan page' })),
      order: work.order && { ...work.order, why: work.order.why || 'set by hand on the plan page' },
    },
    shop,
  }
  const taken = handsOn(state) ? planNow(state) : undefined
  const say = sayHere(context)
  return {
    request: { format: 'ruddy-siphon.plan-request', version: 1, ...asked },
    plan: worded(taken ?? makePlan(asked), say),
  }
}

/** A file to keep, not a page. */
export const asFile = (name: string, content: unknown) =>
  Response.json(content, { headers: { 'Content-Disposition': `attachment; filename="${name}"` } })
