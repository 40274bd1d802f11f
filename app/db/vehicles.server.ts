import { newId } from '~/lib/ids'
import type { Reading } from '~core/fault'
import { readVehicle } from '~core/vehicle/read-vehicle'
import type { Vehicle } from '~core/vehicle/schema'
import type { Queries } from './database.server'

export type VehicleRow = { id: string; name: string; kind: string; plate: string; imported_at: string }
/** A vehicle with its file, read again through the schema. */
export type StoredVehicle = VehicleRow & { vehicle: Vehicle }

export const listVehicles = (db: Queries): Promise<VehicleRow[]> =>
  db.query('select id, name, kind, plate, imported_at from vehicle order by plate, name')

/** The vehicle as the rest of the program uses it: every line with an id, so that it can be named as opened. */
function withLineIds(vehicle: Vehicle): Vehicle {
  return {
    ...vehicle,
    lines: vehicle.lines.map((line) => ({
      ...line,
      id: line.id ?? `${line.from} to ${line.to} (${line.circuit})`,
    })),
  }
}

/** One vehicle; undefined where the id is unknown. */
export async function findVehicle(db: Queries, id: string): Promise<StoredVehicle | undefined> {
  const [row] = await db.query<VehicleRow & { file: unknown }>(
    'select id, name, kind, plate, imported_at, file from vehicle where id = $1',
    [id],
  )
  if (!row) return undefined
  const { file, ...rest } = row
  const read = readVehicle(file)
  if (!read.ok) throw new Error(`stored vehicle ${id} no longer reads: ${read.faults[0]?.path}`)
  return { ...rest, vehicle: withLineIds(read.value) }
}

/** The text of the file as it was imported. */
export async function vehicleFileText(db: Queries, id: string): Promise<string | undefined> {
  const [row] = await db.query<{ text: string }>('select file::text as text from vehicle where id = $1', [id])
  return row?.text
}

/** Import a vehicle file; its faults where it is not one. */
export async function importVehicle(
  db: Queries,
  fileText: string,
  plate: string,
): Promise<Reading<{ id: string }>> {
  let file: unknown
  try {
    file = JSON.parse(fileText)
  } catch {
    return {
      ok: false,
      faults: [{ path: '', message: 'this is not JSON; give a vehicle file (see docs/schema)' }],
    }
  }
  const read = readVehicle(file)
  if (!read.ok) return read
  const id = newId()
  await db.query('insert into vehicle (id, name, kind, plate, file) values ($1, $2, $3, $4, $5)', [
    id,
    read.value.name,
    read.value.kind,
    plate,
    fileText,
  ])
  return { ok: true, value: { id } }
}
