import { asFile, planFiles } from '~server/http/plan-files.server'
import type { Route } from './+types/plan-request-json'

/** What the plan was asked, as the `siphon` command reads it. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const files = await planFiles(context, params.jobId, request)
  return asFile(`plan-request-${params.jobId}.json`, files.request)
}
