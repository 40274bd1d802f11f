import { redirect } from 'react-router'
import { orNotFound } from '~/lib/require'
import { stationOf } from '~core/job/selectors'
import { database } from '~server/http/context.server'
import { findJob } from '~server/store/jobs.server'
import type { Route } from './+types/job-now'

/** A job’s own address leads to the station it is at. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const state = orNotFound(await findJob(context.get(database), params.jobId))
  return redirect(state.filed ? `/jobs/${params.jobId}/record` : `/jobs/${params.jobId}/${stationOf(state)}`)
}

/** Never seen, but a route without a component would answer a missing job with bare data instead of its page. */
export default function JobNow() {
  return null
}
