import { type Learned, newestLearned } from '~core/job/learned/learned'
import type { Queries } from './database.server'

/** Bleeders that gave trouble, in any job on the vehicle; what was taken back does not count. */
const TROUBLES = `
  select e.job_id as "jobId", e.at_client as at, e.body->'trouble'->>'what' as kind, e.body->'trouble'->>'point' as bleeder
  from job_event e join job on job.id = e.job_id
  where job.vehicle_id = $1 and e.type = 'trouble'
    and e.body->'trouble'->>'what' in ('seized', 'snapped', 'stripped')
    and not exists (
      select 1 from job_event u where u.job_id = e.job_id and u.type = 'undone' and u.body->>'event' = e.id
    )`

/** What fitted, as it was written down at filing. */
const FITTED = `
  select e.job_id as "jobId", e.at_client as at, 'spanner' as kind, s.key as bleeder, s.value::float as value, null as what
  from job_event e join job on job.id = e.job_id, json_each_text(e.body->'fitted'->'spannersMm') s
  where job.vehicle_id = $1 and e.type = 'filed'
  union all
  select e.job_id, e.at_client, f.kind, null, null, e.body->'fitted'->>f.field
  from job_event e join job on job.id = e.job_id,
    (values ('adapter', 'capAdapter'), ('bench-thread', 'benchThread'), ('scan-tool', 'scanTool')) as f (kind, field)
  where job.vehicle_id = $1 and e.type = 'filed' and e.body->'fitted'->>f.field is not null`

/** What went through each bleeder of a job that was filed as bled. */
const VOLUMES = `
  select r.job_id as "jobId", job.filed_at as at, 'volume' as kind, p.key as bleeder, sum((p.value->>'ml')::float) as value
  from record r join job on job.id = r.job_id,
    json_array_elements(r.state->'run'->'stages') s, json_each(s->'at') p
  where job.vehicle_id = $1 and job.outcome = 'fit' and s->'stage'->>'kind' = 'bleed'
  group by r.job_id, job.filed_at, p.key having sum((p.value->>'ml')::float) > 0`

/**
 * What jobs found out about a vehicle, of each thing the newest.
 *
 * @param besides a job whose own findings are left out: whoever works on it has seen them
 */
export async function learnedOf(db: Queries, vehicleId: string, besides?: string): Promise<Learned[]> {
  const all: Learned[] = []
  for (const sql of [TROUBLES, FITTED, VOLUMES]) all.push(...(await db.query<Learned>(sql, [vehicleId])))
  return newestLearned(all.filter(({ jobId }) => jobId !== besides))
}
