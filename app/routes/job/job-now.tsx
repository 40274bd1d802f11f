import { redirect } from 'react-router'
import { stationOf } from '~core/job/selectors'
import { jobOnPage } from '~server/http/job-on-page.server'
import type { Route } from './+types/job-now'

/** A job’s own address leads to the station it is at. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const state = await jobOnPage(context, params.jobId)
  return redirect(state.filed ? `/jobs/${params.jobId}/record` : `/jobs/${params.jobId}/${stationOf(state)}`)
}

/** Never seen, but a route without a component would answer a missing job with bare data instead of its page. */
export default function JobNow() {
  return null
}
