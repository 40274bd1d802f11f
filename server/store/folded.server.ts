import { replayStored } from '~core/job/apply'
import type { JobState } from '~core/job/state'
import type { Database, Queries } from '~server/db/database.server'

async function storedEvents(db: Queries, jobId: string): Promise<unknown[]> {
  const rows = await db.query<{ body: unknown }>(
    'select body from job_event where job_id = $1 order by seq',
    [jobId],
  )
  return rows.map(({ body }) => body)
}

/** Where a job’s log ends: all of it folded, and the link of its last event. */
export type End = { state: JobState; link: string }
/** The link is known where an act was appended here. */
type Folded = { state: JobState; link?: string }

/** Jobs as last folded, per database: states never change once made, so an append need not replay what came before. */
const folded = new WeakMap<object, Map<string, Folded>>()
const MOST_FOLDED = 40

/** @param link of its last event; left out where it was only read, which says nothing new of a state that is known */
export function remember(db: Database, jobId: string, state: JobState, link?: string): void {
  const known = folded.get(db) ?? new Map<string, Folded>()
  folded.set(db, known)
  const before = known.get(jobId)
  known.delete(jobId)
  known.set(jobId, { state, link: link ?? (before?.state === state ? before.link : undefined) })
  const oldest = known.keys().next().value
  if (known.size > MOST_FOLDED && oldest !== undefined) known.delete(oldest)
}

/** Where this process left a job's log, which something else may have gone on with; undefined where it did not write it. */
export function lastAppended(db: Database, jobId: string): End | undefined {
  const { state, link } = folded.get(db)?.get(jobId) ?? {}
  return state && link !== undefined ? { state, link } : undefined
}

/**
 * The job with every event that is recorded; undefined where it has none.
 *
 * @param length how many there are
 */
export async function foldedJob(
  db: Database,
  queries: Queries,
  jobId: string,
  length: number,
): Promise<JobState | undefined> {
  const known = folded.get(db)?.get(jobId)
  if (known?.state.length === length) return known.state
  let state: JobState | undefined
  for (const { after } of replayStored(await storedEvents(queries, jobId))) state = after
  return state
}
