import { newId } from '~/lib/ids'
import type { JobEvent, Person } from '~core/job/events'
import { NOTHING_BEFORE } from '~core/ledger/event-chain'
import type { Database } from '~server/db/database.server'
import { asRows, logged, WRITE_EVENTS } from '~server/store/ledger.server'
import { leftStanding } from '~server/store/stands.server'
import type { StoredVehicle } from '~server/store/vehicles.server'

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
    await tx.query(WRITE_EVENTS, [
      jobId,
      asRows([logged(jobId, { seq: 1, previous: NOTHING_BEFORE }, event)]),
    ])
  })
  return jobId
}
