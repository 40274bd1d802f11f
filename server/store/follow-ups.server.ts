import { followUpsOf } from '~core/job/follow-ups'
import type { JobState } from '~core/job/state'
import type { Queries } from '~server/db/database.server'
import { type DueRow, dueList } from './due.server'

/** Write what a filed job is to be looked at again for, and what came of it. In the transaction of its events. */
export async function showFollowUps(tx: Queries, jobId: string, state: JobState): Promise<void> {
  const all = followUpsOf(state)
  if (all.length === 0) return
  await tx.query(
    `insert into follow_up (job_id, kind, vehicle_id, due_on, done_on, good)
     select $1, id, $2, "dueOn"::date, "doneOn"::date, good
     from json_to_recordset($3::json) as f (id text, "dueOn" text, "doneOn" text, good boolean)
     on conflict (job_id, kind) do update set done_on = excluded.done_on, good = excluded.good`,
    [jobId, state.vehicleId, JSON.stringify(all)],
  )
}

export type OpenFollowUp = {
  job_id: string
  kind: string
  due_on: string
  vehicle_id: string
  plate: string
  name: string
  /** How many there are in all. */
  count: number
}

/** Those that nobody has looked at yet, the first due first. */
export const openFollowUps = (db: Queries, most: number): Promise<OpenFollowUp[]> =>
  db.query(
    `select f.job_id, f.kind, f.due_on, v.id as vehicle_id, v.plate, v.name, count(*) over ()::int as count
     from follow_up f join vehicle v on v.id = f.vehicle_id
     where f.done_on is null order by f.due_on, v.plate, f.kind limit $1`,
    [most],
  )

/** What a calendar holds at most of looks that are owed. */
const MOST = 1000

/** Everything that is due, for a calendar: fluids by their vehicle, and looks that are owed after a job. */
export const owed = async (db: Queries): Promise<{ fluid: DueRow[]; again: OpenFollowUp[] }> => ({
  fluid: await dueList(db),
  again: await openFollowUps(db, MOST),
})
