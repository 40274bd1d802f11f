import { database } from '~server/http/context.server'
import { exportResponse } from '~server/http/export-response.server'
import { exportLogbook } from '~server/keep/export.server'
import type { Route } from './+types/logbook-file'

/** The whole logbook with its frozen records, to keep and to check. */
export function loader({ context }: Route.LoaderArgs) {
  return exportResponse('logbook.jsonl', exportLogbook(context.get(database)))
}
