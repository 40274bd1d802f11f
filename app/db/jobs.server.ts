import { newId } from '~/lib/ids'
import { jobChanged } from '~/live/hub.server'
import { fact, type Notice } from '~core/base/decision'
import { applyEvent, replayEvent, replayStored, type Step } from '~core/job/apply'
import { addendumSchema, type JobEvent, type Person } from '~core/job/events'
import { readRecord, recordOf } from '~core/job/record'
import { stationOf } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import { unlinkCab } from './cab.server'
import type { Database, Queries } from './database.server'
import { notFromShelf, showOnShelf } from './draw.server'
import { showInFluid } from './fluid.server'
import { leftStanding, stands, standsElsewhere } from './stands.server'
import type { StoredVehicle } from './vehicles.server'

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

async function storedEvents(db: Queries, jobId: string): Promise<unknown[]> {
  const rows = await db.query<{ body: unknown }>(
    'select body from job_event where job_id = $1 order by seq',
    [jobId],
  )
  return rows.map(({ body }) => body)
}

/** New acts judged one after another, each as it is to be recorded; or why one of them cannot be. */
function judged(acts: readonly JobEvent[], from?: JobState): { steps: Step[]; refusal?: Notice } {
  let state = from
  const steps: Step[] = []
  for (const act of acts) {
    const applied = applyEvent(state, act)
    if (!applied.ok) return { steps, refusal: applied.refusal }
    steps.push({ event: applied.event, before: state, after: applied.state })
    state = applied.state
  }
  return { steps }
}

/** Jobs as last folded, per database: states never change once made, so an append need not replay what came before. */
const folded = new WeakMap<object, Map<string, JobState>>()
const MOST_FOLDED = 40

function remember(db: Database, jobId: string, state: JobState): void {
  const known = folded.get(db) ?? new Map<string, JobState>()
  folded.set(db, known)
  known.delete(jobId)
  known.set(jobId, state)
  const oldest = known.keys().next().value
  if (known.size > MOST_FOLDED && oldest !== undefined) known.delete(oldest)
}

/** The job with every event that is recorded; undefined where it has none. */
async function foldedJob(db: Database, queries: Queries, jobId: string): Promise<JobState | undefined> {
  const [last] = await queries.query<{ seq: number | null }>(
    'select max(seq) as seq from job_event where job_id = $1',
    [jobId],
  )
  const known = folded.get(db)?.get(jobId)
  if (known && known.length === last?.seq) return known
  let state: JobState | undefined
  for (const { after } of replayStored(await storedEvents(queries, jobId))) state = after
  return state
}

/**
 * A job as its events make it; a filed one as it was frozen, with what was added since. Undefined where the id is
 * unknown.
 */
export async function findJob(db: Database, jobId: string): Promise<JobState | undefined> {
  const [frozen] = await db.query<{ state: unknown }>('select state from record where job_id = $1', [jobId])
  if (!frozen) {
    const state = await foldedJob(db, db, jobId)
    if (state) remember(db, jobId, state)
    return state
  }
  const added = await db.query<{ body: unknown }>(
    "select body from job_event where job_id = $1 and type = 'addendum' order by seq",
    [jobId],
  )
  const addenda = added.map(({ body }) => addendumSchema.parse(body))
  const last = addenda.at(-1)
  const state = readRecord(frozen.state)
  return {
    ...state,
    addenda,
    length: state.length + addenda.length,
    lastAt: last?.at ?? state.lastAt,
  }
}

/** Every event of a job with both clocks, for its trace. */
export async function jobTrace(db: Queries, jobId: string): Promise<{ event: JobEvent; atServer: string }[]> {
  const rows = await db.query<{ body: unknown; at_server: string }>(
    'select body, at_server from job_event where job_id = $1 order by seq',
    [jobId],
  )
  const steps = [...replayStored(rows.map(({ body }) => body))]
  return rows.flatMap(({ at_server }, i) => {
    const step = steps[i]
    return step ? [{ event: step.event, atServer: at_server }] : []
  })
}

/** What was recorded on a job after a place in its log, with the place of each. */
export async function eventsAfter(
  db: Queries,
  jobId: string,
  have: number,
): Promise<{ place: number; event: unknown }[]> {
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

/** Open a job on a vehicle, with the vehicle's file as it stands now: the job keeps it. */
export async function openJob(
  db: Database,
  stored: StoredVehicle,
  at: string,
  { by, comebackOf }: { by?: Person; comebackOf?: string },
): Promise<string> {
  const jobId = newId()
  const left = await leftStanding(db, stored.id)
  const event: JobEvent = {
    id: newId(),
    at,
    by,
    type: 'job-opened',
    vehicleId: stored.id,
    plate: stored.plate || stored.name,
    vehicle: stored.vehicle,
    comebackOf,
    ...(left && { stands: left }),
  }
  await db.transaction(async (tx) => {
    await tx.query(
      'insert into job (id, vehicle_id, station, opened_at, updated_at) values ($1, $2, $3, $4, $4)',
      [jobId, stored.id, 'check-in', at],
    )
    await insertEvent(tx, jobId, 1, event)
  })
  return jobId
}

const insertEvent = (tx: Queries, jobId: string, seq: number, event: JobEvent) =>
  tx.query('insert into job_event (job_id, seq, id, type, at_client, body) values ($1, $2, $3, $4, $5, $6)', [
    jobId,
    seq,
    event.id,
    event.type,
    event.at,
    JSON.stringify(event),
  ])

/** What became of events that were sent: the job's new state, or why they cannot follow. */
export type Appended =
  /** `beyondMl`: what the last of them poured beyond the book, which a sender cannot know. */
  | { ok: true; state: JobState; beyondMl?: number }
  | { ok: false; code: 'not-found' | 'refused'; refusal: Notice }

/**
 * Record events on a job, in order, in one transaction with what lists show of it. One that is recorded already
 * is passed over, so that a client that never heard the answer may send again.
 */
export async function appendEvents(
  db: Database,
  jobId: string,
  events: readonly JobEvent[],
): Promise<Appended> {
  const appended = await db.transaction(async (tx): Promise<Appended> => {
    const [row] = await tx.query('select id from job where id = $1 for update', [jobId])
    if (!row)
      return {
        ok: false,
        code: 'not-found',
        refusal: fact('no-such-job'),
      }
    const before = await foldedJob(db, tx, jobId)
    const recorded = await tx.query<{ id: string; beyond_ml: number | null }>(
      "select id, (body->>'beyondMl')::float8 as beyond_ml from job_event where job_id = $1 and id = any($2)",
      [jobId, events.map(({ id }) => id)],
    )
    const fresh = events.filter((event) => !recorded.some(({ id }) => id === event.id))
    const { steps, refusal: unfit } = judged(fresh, before)
    const refusal =
      unfit ?? (await firstNotFromShelf(tx, jobId, steps)) ?? (await standsElsewhere(tx, jobId, steps))
    if (refusal || !before)
      return {
        ok: false,
        code: 'refused',
        refusal: refusal ?? fact('job-not-open'),
      }
    let state = before
    // One that is sent again gets the answer that was lost.
    let beyondMl = recorded.at(-1)?.beyond_ml ?? undefined
    for (const step of steps) {
      const kept = await record(tx, jobId, state, step)
      beyondMl = kept.beyondMl
      state = replayEvent(state, kept)
    }
    if (fresh.length > 0) await showInLists(tx, jobId, state)
    if (fresh.length > 0) await showInFluid(tx, jobId, before, state)
    if (state.filed && !before?.filed) {
      await freeze(tx, jobId, state)
      await unlinkCab(tx, jobId)
    }
    return { ok: true, state, ...(beyondMl !== undefined && { beyondMl }) }
  })
  // Only what is committed may be gone on from.
  if (appended.ok) {
    remember(db, jobId, appended.state)
    jobChanged(jobId)
  }
  return appended
}

/** One event with what it does to the shelf. @returns it as it was kept: with what the book says of it */
async function record(
  tx: Queries,
  jobId: string,
  before: JobState,
  { event, after }: Step,
): Promise<JobEvent> {
  const seq = before.length + 1
  const beyondMl = await showOnShelf(tx, jobId, before, after, event)
  const kept = beyondMl > 0 ? { ...event, beyondMl } : event
  await insertEvent(tx, jobId, seq, kept)
  return kept
}

async function firstNotFromShelf(
  tx: Queries,
  jobId: string,
  steps: readonly Step[],
): Promise<Notice | undefined> {
  for (const { event, before } of steps) {
    const refusal = await notFromShelf(tx, jobId, before, event)
    if (refusal) return refusal
  }
  return undefined
}

/** What lists show of a job, in the same transaction as the events it comes from. */
const showInLists = (tx: Queries, jobId: string, state: JobState) =>
  tx.query(
    `update job set station = $2, outcome = $3, updated_at = $4, filed_at = $5, vehicle_id = $6, bay = $7, parked_at = $8,
       stands = $9
     where id = $1`,
    [
      jobId,
      stationOf(state),
      state.filed?.outcome ?? null,
      state.lastAt,
      state.filed?.at ?? null,
      state.vehicleId,
      state.checkIn?.bay ?? '',
      state.parked?.at ?? null,
      stands(state),
    ],
  )

/** Keep the record as it was signed; what could be taken back no longer can. */
const freeze = (tx: Queries, jobId: string, state: JobState) =>
  tx.query('insert into record (job_id, state) values ($1, $2)', [jobId, JSON.stringify(recordOf(state))])
