import { database } from '~server/http/context.server'
import { jobTrace } from '~server/store/jobs.server'
import type { Route } from './+types/job-log'

/** A job's whole log as JSON: every event as it was recorded, in order, with the time by the server's clock. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const trace = await jobTrace(context.get(database), params.jobId)
  if (trace.length === 0) throw new Response(null, { status: 404 })
  return Response.json(
    {
      format: 'ruddy-siphon.job-log',
      version: 1,
      events: trace.map(({ event, atServer }) => ({ ...event, atServer })),
    },
    { headers: { 'Content-Disposition': `attachment; filename="job-${params.jobId}.json"` } },
  )
}
