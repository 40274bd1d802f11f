import type { Complaint } from '~core/diagnosis/complaints'
import type { Queries } from '~server/db/database.server'

/** What it was in the end, in jobs that left as fit: how often, by cause. */
export async function ownCases(db: Queries, complaint: Complaint): Promise<Record<string, number>> {
  const rows = await db.query<{ cause: string; count: number }>(
    `select r.state->'faultFinding'->>'was' as cause, count(*)::int as count
     from record r join job on job.id = r.job_id
     where job.outcome = 'fit' and r.state->'faultFinding'->>'complaint' = $1
       and r.state->'faultFinding'->>'was' is not null
     group by 1`,
    [complaint],
  )
  return Object.fromEntries(rows.map(({ cause, count }) => [cause, count]))
}
