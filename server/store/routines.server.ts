import { procedureFor } from '~core/plan/procedures'
import { type ProcedureFile, procedureFile } from '~core/procedure/file'
import { techniqueOf } from '~core/technique'
import { placesOfBleeders } from '~core/vehicle/network'
import { partsOf } from '~core/vehicle/parts'
import type { PartOf, Vehicle } from '~core/vehicle/schema'
import type { Queries } from '~server/db/database.server'
import { readStored, type VehicleFile } from './vehicles.server'

/** A unit's routine as a file of its own; undefined where the unit offers none. */
export function routineFile(vehicle: Vehicle, unit: PartOf<'control-unit'>): ProcedureFile | undefined {
  if (unit.routine === 'none') return undefined
  const procedure = procedureFor(vehicle, unit, techniqueOf(unit.routine))
  return procedureFile(procedure, { routine: unit.routine, placeOf: placesOfBleeders(vehicle) })
}

/** A routine that somebody wrote down for another vehicle of the same kind. */
export type RoutineOfKind = { vehicleId: string; plate: string; file: ProcedureFile }

/** Routines written down for other vehicles whose files bear the same name, for units that offer the same. */
export async function routinesOfKind(
  db: Queries,
  vehicleId: string,
  { routine }: Pick<PartOf<'control-unit'>, 'routine'>,
): Promise<RoutineOfKind[]> {
  const others = await db.query<VehicleFile>(
    `select other.id, other.plate, other.file from vehicle this
      join vehicle other on other.name = this.name and other.id <> this.id
      where this.id = $1 and exists (
        select 1 from json_array_elements(other.file->'parts') part where part->'procedure' is not null
      ) order by other.plate`,
    [vehicleId],
  )
  return others.map(readStored).flatMap(({ id, plate, vehicle }) =>
    partsOf(vehicle, 'control-unit').flatMap((unit) => {
      const file = unit.routine === routine ? routineFile(vehicle, unit) : undefined
      return file && !file.procedure.example ? [{ vehicleId: id, plate, file }] : []
    }),
  )
}
