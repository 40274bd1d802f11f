import { replayStored, type Step } from '~core/job/apply'
import { addendumSchema } from '~core/job/events'
import { readRecord } from '~core/job/record'
import type { JobState } from '~core/job/state'
import type { Database, Queries } from '~server/db/database.server'
import { foldedJob, remember } from './folded.server'

export type JobRow = {
  id: string
  vehicle_id: string
  vehicle_name: string
  plate: string
  station: string
  bay: string
  parked_at: string | null
  outcome: NonNullable<JobState['filed']>['outcome'] | null
  opened_at: string
  updated_at: string
  filed_at: string | null
}

const jobColumns = `job.id, job.vehicle_id, vehicle.name as vehicle_name, vehicle.plate, job.station, job.outcome,
  job.bay, job.parked_at, job.opened_at, job.updated_at, job.filed_at from job join vehicle on vehicle.id = job.vehicle_id`

export const openJobs = (db: Queries): Promise<JobRow[]> =>
  db.query(`select ${jobColumns} where job.filed_at is null order by job.updated_at desc`)

export const filedJobs = (db: Queries): Promise<JobRow[]> =>
  db.query(`select ${jobColumns} where job.filed_at is not null order by job.filed_at desc limit 500`)

export const jobsOfVehicle = (db: Queries, vehicleId: string): Promise<JobRow[]> =>
  db.query(`select ${jobColumns} where job.vehicle_id = $1 order by job.opened_at desc limit 100`, [
    vehicleId,
  ])

/**
 * A job as its events make it; a filed one as it was frozen, with what was added since. Undefined where the id is
 * unknown.
 */
export async function findJob(db: Database, jobId: string): Promise<JobState | undefined> {
  const [row] = await db.query<{ seq: number | null; frozen: unknown }>(
    `select max(seq) as seq, (select state from record where job_id = $1) as frozen
     from job_event where job_id = $1`,
    [jobId],
  )
  if (!row?.frozen) {
    const state = await foldedJob(db, db, jobId, row?.seq ?? 0)
    if (state) remember(db, jobId, state)
    return state
  }
  const added = await db.query<{ body: unknown }>(
    "select body from job_event where job_id = $1 and type = 'addendum' order by seq",
    [jobId],
  )
  const addenda = added.map(({ body }) => addendumSchema.parse(body))
  const last = addenda.at(-1)
  const state = readRecord(row.frozen)
  return {
    ...state,
    addenda,
    length: state.length + addenda.length,
    lastAt: last?.at ?? state.lastAt,
  }
}

/** Every event of a job with both clocks, for its trace. */
export async function jobTrace(db: Queries, jobId: string): Promise<(Step & { atServer: string })[]> {
  const rows = await storedRows(db, jobId)
  const steps = [...replayStored(rows.map(({ body }) => body))]
  return rows.flatMap(({ at_server }, i) => {
    const step = steps[i]
    return step ? [{ ...step, atServer: at_server }] : []
  })
}

/** A job event by event, with the states around each. */
export const jobSteps = async (db: Queries, jobId: string): Promise<Iterable<Step>> =>
  replayStored((await storedRows(db, jobId)).map(({ body }) => body))

const storedRows = (db: Queries, jobId: string) =>
  db.query<{ body: unknown; at_server: string }>(
    'select body, at_server from job_event where job_id = $1 order by seq',
    [jobId],
  )

/** An event with its place in the job's log. */
export type Recorded = { place: number; event: unknown }

/** What was recorded on a job after a place in its log, with the place of each. */
export async function eventsAfter(db: Queries, jobId: string, have: number): Promise<Recorded[]> {
  const rows = await db.query<{ seq: number; body: unknown }>(
    'select seq, body from job_event where job_id = $1 and seq > $2 order by seq',
    [jobId, have],
  )
  // Each as it was stored: whoever asks has the job they follow, which an older version's shape may need.
  return rows.map(({ seq, body }) => ({ place: seq, event: body }))
}

/** Jobs that were opened because this one came back, the newest first. */
export const comebacksOf = (db: Queries, jobId: string): Promise<{ id: string; at: string }[]> =>
  db.query(
    `select job_id as id, at_client as at from job_event
     where seq = 1 and body->>'comebackOf' = $1 order by at_client desc`,
    [jobId],
  )
