import { fact, type Notice } from '~core/base/decision'
import type { Step } from '~core/job/apply'
import { readRecord } from '~core/job/record'
import { bleedDone, workBegun } from '~core/job/selectors'
import { allOpen, anythingStands, type Standing } from '~core/job/standing'
import type { JobState } from '~core/job/state'
import type { Queries } from '~server/db/database.server'

/** One vehicle, one state: what stands on it in one job is known to every other. */

/** What goes on the vehicle, or lets it go: not while another job of it stands open, half done or parked. */
const claimsVehicle = ({ event }: Step): boolean =>
  event.type === 'plate-confirmed' ||
  (event.type === 'check-proved' && event.passed) ||
  (event.type === 'filed' && event.outcome === 'fit')

/** Another job that stands on the same vehicle; undefined where none does. */
export const standingJob = async (
  db: Queries,
  vehicleId: string,
  besides: string,
): Promise<{ id: string; bay: string } | undefined> =>
  (
    await db.query<{ id: string; bay: string }>(
      'select id, bay from job where vehicle_id = $1 and id <> $2 and stands and filed_at is null limit 1',
      [vehicleId, besides],
    )
  )[0]

export async function standsElsewhere(
  tx: Queries,
  jobId: string,
  steps: readonly Step[],
): Promise<Notice | undefined> {
  const claiming = steps.find(claimsVehicle)
  if (!claiming) return undefined
  const other = await standingJob(tx, claiming.after.vehicleId, jobId)
  return other && fact('stands-in-other-job', { bay: other.bay === '' ? fact('another-bay') : other.bay })
}

/** Whether work on the vehicle is half done, or something stands on it. */
export const stands = (state: JobState): boolean =>
  anythingStands(state) || state.parked !== undefined || (workBegun(state) && !bleedDone(state))

/** What the last job that was filed left standing on a vehicle, as one left open on a transporter; undefined where nothing. */
export async function leftStanding(db: Queries, vehicleId: string): Promise<Standing | undefined> {
  const [last] = await db.query<{ state: unknown }>(
    `select record.state from job join record on record.job_id = job.id
     where job.vehicle_id = $1 and job.filed_at is not null order by job.filed_at desc limit 1`,
    [vehicleId],
  )
  const state = last && readRecord(last.state)
  if (!state || !anythingStands(state)) return undefined
  const named = allOpen(state).map((point) => ({ point, how: 'named' as const }))
  return { ...state.standing, open: named }
}
