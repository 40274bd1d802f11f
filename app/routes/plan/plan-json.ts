import { asFile, planFiles } from '~server/http/plan-files.server'
import type { Route } from './+types/plan-json'

/** The plan as the `siphon` command prints it. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { plan } = await planFiles(context, params.jobId, request)
  return asFile(`plan-${params.jobId}.json`, plan)
}
