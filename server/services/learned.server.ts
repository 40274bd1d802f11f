import { readEvent } from '~core/job/events'
import { foundOut, type Recorded, volumesThrough } from '~core/job/learned/found-out'
import { type Learned, newestLearned } from '~core/job/learned/learned'
import { readRecord, UnreadableRecord } from '~core/job/record'
import type { Queries } from '~server/db/database.server'

/** What was recorded of it on any of its jobs, and at filing on jobs of others whose files name the same make and model. */
const RECORDED = `
  select e.job_id as "jobId", e.body, case when on_it.id <> $1 then on_it.plate end as plate
  from vehicle this join vehicle on_it on on_it.name = this.name
    join job on job.vehicle_id = on_it.id join job_event e on e.job_id = job.id
  where this.id = $1 and (e.type = 'filed' or (on_it.id = $1 and e.type in ('trouble', 'undone')))
  order by job.opened_at, e.seq`

/** The newest of its jobs that were filed as bled: what older ones say is of a vehicle that has changed since. */
const BLED = `
  select r.job_id as "jobId", job.filed_at as "filedAt"
  from record r join job on job.id = r.job_id
  where job.vehicle_id = $1 and job.outcome = 'fit' order by job.filed_at desc limit 10`

type Row = { jobId: string; body: unknown; plate: string | null }
type Bled = { jobId: string; filedAt: string }

/** Volumes by record, per database: a record is frozen, and long to read. */
const volumesByRecord = new WeakMap<object, Map<string, Learned[]>>()
const MOST_RECORDS = 500

/**
 * An event as it reads today, whichever version wrote it. One that cannot be read teaches nothing here: whoever opens its
 * job is told.
 */
function recordedOf({ jobId, body, plate }: Row): Recorded[] {
  const read = readEvent(body, undefined)
  return read.ok ? [{ jobId, event: read.value, ...(plate !== null && { plate }) }] : []
}

/** What went through at each of these jobs; of the ones not known yet their records are asked for, in one question. */
async function volumesOf(db: Queries, bled: readonly Bled[]): Promise<Learned[]> {
  const known = volumesByRecord.get(db) ?? new Map<string, Learned[]>()
  volumesByRecord.set(db, known)
  const unread = new Map(
    bled.flatMap(({ jobId, filedAt }) => (known.has(jobId) ? [] : [[jobId, filedAt] as const])),
  )
  if (unread.size > 0) {
    const rows = await db.query<{ jobId: string; state: unknown }>(
      'select job_id as "jobId", state from record where job_id = any($1)',
      [[...unread.keys()]],
    )
    for (const { jobId, state } of rows) known.set(jobId, readVolumes(state, jobId, unread.get(jobId) ?? ''))
  }
  const volumes = bled.flatMap(({ jobId }) => known.get(jobId) ?? [])
  for (const oldest of known.keys()) {
    if (known.size <= MOST_RECORDS) break
    known.delete(oldest)
  }
  return volumes
}

/** As it reads today; a record that cannot be read teaches nothing here either. */
function readVolumes(state: unknown, jobId: string, filedAt: string): Learned[] {
  try {
    return volumesThrough(readRecord(state), jobId, filedAt)
  } catch (error) {
    if (error instanceof UnreadableRecord) return []
    throw error
  }
}

/**
 * What jobs found out about a vehicle, of each thing the newest.
 *
 * @param besides a job whose own findings are left out: whoever works on it has seen them
 */
export async function learnedOf(db: Queries, vehicleId: string, besides?: string): Promise<Learned[]> {
  const recorded = (await db.query<Row>(RECORDED, [vehicleId])).flatMap(recordedOf)
  const bled = await db.query<Bled>(BLED, [vehicleId])
  const volumes = await volumesOf(db, bled)
  return newestLearned([...foundOut(recorded), ...volumes].filter(({ jobId }) => jobId !== besides))
}
