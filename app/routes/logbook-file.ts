import { database } from '~/context'
import { exportLogbook } from '~/db/keep/export.server'
import { exportResponse } from '~/lib/export-response.server'
import type { Route } from './+types/logbook-file'

/** The whole logbook with its frozen records, to keep and to check. */
export function loader({ context }: Route.LoaderArgs) {
  return exportResponse('logbook.jsonl', exportLogbook(context.get(database)))
}
