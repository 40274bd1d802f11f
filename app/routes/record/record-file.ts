import { data } from 'react-router'
import { database } from '~server/http/context.server'
import { exportResponse } from '~server/http/export-response.server'
import { exportRecord } from '~server/keep/export.server'
import { findJob } from '~server/store/jobs.server'
import type { Route } from './+types/record-file'

/** A filed record with its events and what the logbook says of it: who has it can check it without this program. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const state = await findJob(db, params.jobId)
  if (!state?.filed) throw data(null, { status: 404 })
  return exportResponse(`record-${params.jobId}.jsonl`, exportRecord(db, params.jobId))
}
