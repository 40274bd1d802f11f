import { newId } from '~/lib/ids'
import type { Reading } from '~core/base/fault'
import { withLineIds } from '~core/vehicle/line-ids'
import { readVehicle } from '~core/vehicle/read-vehicle'
import { type Vehicle, vehicleSchema } from '~core/vehicle/schema'
import type { Database, Queries } from '~server/db/database.server'

export type VehicleRow = {
  id: string
  name: string
  kind: string
  plate: string
  vin: string
  version: number
  imported_at: string
}
/** A vehicle with its file, read again through the schema. */
export type StoredVehicle = VehicleRow & { vehicle: Vehicle }

export const listVehicles = (db: Queries): Promise<VehicleRow[]> =>
  db.query('select id, name, kind, plate, vin, version, imported_at from vehicle order by plate, name')

/** One vehicle; undefined where the id is unknown. */
export async function findVehicle(db: Queries, id: string): Promise<StoredVehicle | undefined> {
  const [row] = await db.query<VehicleRow & VehicleFile>(
    'select id, name, kind, plate, vin, version, imported_at, file from vehicle where id = $1',
    [id],
  )
  return row && readStored(row)
}

/** A vehicle's file as it is stored, with what stands beside it. */
export type VehicleFile = { id: string; plate: string; file: unknown }

/** The same read through the schema. @throws Error where it no longer reads */
export function readStored<R extends VehicleFile>({
  file,
  ...rest
}: R): Omit<R, 'file'> & { vehicle: Vehicle } {
  const read = readVehicle(file)
  if (!read.ok) throw new Error(`stored vehicle ${rest.id} no longer reads: ${read.faults[0]?.path}`)
  return { ...rest, vehicle: withLineIds(read.value) }
}

/** The text of the file as it was imported. */
export async function vehicleFileText(db: Queries, id: string): Promise<string | undefined> {
  const [row] = await db.query<{ text: string }>('select file::text as text from vehicle where id = $1', [id])
  return row?.text
}

/** What stands on the vehicle itself. */
export type Plates = { plate: string; vin?: string }

function readFileText(fileText: string): Reading<Vehicle> {
  let file: unknown
  try {
    file = JSON.parse(fileText)
  } catch {
    return {
      ok: false,
      faults: [{ path: '', message: 'this is not JSON; give a vehicle file (see docs/schema)' }],
    }
  }
  return readVehicle(file)
}

const insertVersion = (tx: Queries, id: string, version: number, fileText: string, by: string) =>
  tx.query('insert into vehicle_version (vehicle_id, version, file, saved_by) values ($1, $2, $3, $4)', [
    id,
    version,
    fileText,
    by,
  ])

/** Import a vehicle file; its faults where it is not one. */
export async function importVehicle(
  db: Database,
  fileText: string,
  { plate, vin = '' }: Plates,
  by = '',
): Promise<Reading<{ id: string }>> {
  const read = readFileText(fileText)
  if (!read.ok) return read
  const id = newId()
  await db.transaction(async (tx) => {
    await tx.query('insert into vehicle (id, name, kind, plate, vin, file) values ($1, $2, $3, $4, $5, $6)', [
      id,
      read.value.name,
      read.value.kind,
      plate,
      vin,
      fileText,
    ])
    await insertVersion(tx, id, 1, fileText, by)
  })
  return { ok: true, value: { id } }
}

/** Another file for a vehicle that is known: jobs that have begun keep the one they began with. */
export async function saveVehicleVersion(
  db: Database,
  id: string,
  fileText: string,
  by: string,
): Promise<Reading<{ version: number }>> {
  const read = readFileText(fileText)
  if (!read.ok) return read
  return db.transaction(async (tx): Promise<Reading<{ version: number }>> => {
    const [row] = await tx.query<{ version: number }>(
      'update vehicle set file = $2, name = $3, kind = $4, version = version + 1 where id = $1 returning version',
      [id, fileText, read.value.name, read.value.kind],
    )
    if (!row) return { ok: false, faults: [{ path: '', message: 'there is no such vehicle' }] }
    await insertVersion(tx, id, row.version, fileText, by)
    return { ok: true, value: { version: row.version } }
  })
}

/** Another plate or number; open jobs keep the plate they were begun under. */
export const savePlates = (db: Queries, id: string, { plate, vin = '' }: Plates) =>
  db.query('update vehicle set plate = $2, vin = $3 where id = $1', [id, plate, vin])

/** The last odometer reading of any job on it, and when that was. */
export async function lastOdometer(db: Queries, id: string): Promise<{ km: number; at: string } | undefined> {
  const [last] = await db.query<{ km: number; at: string }>(
    'select km, read_on as at from odometer_reading where vehicle_id = $1 order by read_on desc, km desc limit 1',
    [id],
  )
  return last
}

/** Every version of a vehicle's file, the newest first. */
export const versionsOf = (
  db: Queries,
  id: string,
): Promise<{ version: number; saved_at: string; saved_by: string }[]> =>
  db.query(
    'select version, saved_at, saved_by from vehicle_version where vehicle_id = $1 order by version desc',
    [id],
  )

/** A vehicle in the schema's own order of keys, so that two can be compared as text. */
const inOneOrder = (vehicle: Vehicle) => JSON.stringify(vehicleSchema.parse(vehicle))

/** What was read once: a job keeps its vehicle for good, and a version of a file never changes. */
const jobTexts = new WeakMap<Vehicle, string>()
const versionTexts = new Map<string, string>()
const MOST_VERSIONS = 100

function textOfJobs(vehicle: Vehicle): string {
  const text = jobTexts.get(vehicle) ?? inOneOrder(vehicle)
  jobTexts.set(vehicle, text)
  return text
}

/** The version a vehicle is at now, where that is another file than the one a job began with. */
export async function versionSince(
  db: Queries,
  { vehicleId, vehicle }: { vehicleId: string; vehicle: Vehicle },
): Promise<number | undefined> {
  const [row] = await db.query<{ version: number }>('select version from vehicle where id = $1', [vehicleId])
  if (!row) return undefined
  const key = `${vehicleId} ${row.version}`
  let text = versionTexts.get(key)
  if (text === undefined) {
    const now = await findVehicle(db, vehicleId)
    // Saved anew in between: whoever opens the page next is told.
    if (now?.version !== row.version) return undefined
    text = inOneOrder(now.vehicle)
    versionTexts.set(key, text)
    const oldest = versionTexts.keys().next().value
    if (versionTexts.size > MOST_VERSIONS && oldest !== undefined) versionTexts.delete(oldest)
  }
  return text === textOfJobs(vehicle) ? undefined : row.version
}
