import { readEvent } from '~core/job/events'
import { foundOut, type Recorded } from '~core/job/learned/found-out'
import { type Learned, newestLearned } from '~core/job/learned/learned'
import type { Queries } from './database.server'

/** What was recorded of it on any of its jobs, and at filing on jobs of others whose files name the same make and model. */
const RECORDED = `
  select e.job_id as "jobId", e.body, case when on_it.id <> $1 then on_it.plate end as plate
  from vehicle this join vehicle on_it on on_it.name = this.name
    join job on job.vehicle_id = on_it.id join job_event e on e.job_id = job.id
  where this.id = $1 and (e.type = 'filed' or (on_it.id = $1 and e.type in ('trouble', 'undone')))
  order by job.opened_at, e.seq`

/** What went through each bleeder of a job that was filed as bled. */
const VOLUMES = `
  select r.job_id as "jobId", job.filed_at as at, 'volume' as kind, p.key as bleeder, sum((p.value->>'ml')::float) as value
  from record r join job on job.id = r.job_id,
    json_array_elements(r.state->'run'->'stages') s, json_each(s->'at') p
  where job.vehicle_id = $1 and job.outcome = 'fit' and s->'stage'->>'kind' = 'bleed'
  group by r.job_id, job.filed_at, p.key having sum((p.value->>'ml')::float) > 0`

type Row = { jobId: string; body: unknown; plate: string | null }

/**
 * An event as it reads today, whichever version wrote it. One that cannot be read teaches nothing here: whoever opens its
 * job is told.
 */
function recordedOf({ jobId, body, plate }: Row): Recorded[] {
  const read = readEvent(body, undefined)
  return read.ok ? [{ jobId, event: read.value, ...(plate !== null && { plate }) }] : []
}

/**
 * What jobs found out about a vehicle, of each thing the newest.
 *
 * @param besides a job whose own findings are left out: whoever works on it has seen them
 */
export async function learnedOf(db: Queries, vehicleId: string, besides?: string): Promise<Learned[]> {
  const recorded = (await db.query<Row>(RECORDED, [vehicleId])).flatMap(recordedOf)
  const volumes = await db.query<Learned>(VOLUMES, [vehicleId])
  return newestLearned([...foundOut(recorded), ...volumes].filter(({ jobId }) => jobId !== besides))
}
