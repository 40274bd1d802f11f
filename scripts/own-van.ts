import type { Database } from '~server/db/database.server'
import { openJob } from '~server/services/open-job.server'
import { findVehicle, importVehicle } from '~server/store/vehicles.server'
import { una } from '~test/worlds/scripted-job'
import vanFile from '../demo/vehicles/post-van-lhd.json'

/** A job opened on a van like the demo world's, but nobody else's: that one may stand in a job there already. */
export const openVanJob = (db: Database, plate: string, at = new Date()) => openJobOn(db, vanFile, plate, at)

/** A job opened on a vehicle of its own. */
export async function openJobOn(db: Database, file: unknown, plate: string, at = new Date()) {
  const imported = await importVehicle(db, JSON.stringify(file), { plate })
  const stored = imported.ok && (await findVehicle(db, imported.value.id))
  if (!stored) throw new Error(`${plate} is no vehicle file`)
  return { stored, jobId: await openJob(db, stored, at.toISOString(), { by: una }) }
}
