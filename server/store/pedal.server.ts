import type { PedalTravels } from '~core/job/pedal-felt'
import type { Queries } from '~server/db/database.server'

export type EarlierPedal = PedalTravels & { at: string }
/** So many earlier jobs are drawn behind this one. */
const SHOWN = 3

/** How the pedal of a vehicle was left on its earlier jobs: the last that was felt on each, the newest job first. */
export const earlierPedals = async (
  db: Queries,
  vehicleId: string,
  besides: string,
): Promise<EarlierPedal[]> =>
  (
    await db.query<{ body: EarlierPedal }>(
      `select felt.body from job
       join lateral (select body from job_event where job_id = job.id and type = 'pedal-felt' order by seq desc limit 1)
         felt on true
       where job.vehicle_id = $1 and job.id <> $2 order by job.opened_at desc limit $3`,
      [vehicleId, besides, SHOWN],
    )
  ).map(({ body: { biteMm, firmMm, bottomMm, sinkMm, at } }) => ({ biteMm, firmMm, bottomMm, sinkMm, at }))
