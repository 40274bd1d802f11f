import { database } from '~/context'
import { findVehicle } from '~/db/vehicles.server'
import { orNotFound } from '~/lib/require'
import { procedureFor } from '~core/plan/procedures'
import { procedureFile } from '~core/procedure/file'
import { techniqueOf } from '~core/technique'
import { placesOfBleeders } from '~core/vehicle/network'
import { partsOf } from '~core/vehicle/parts'
import type { Route } from './+types/routine-file'

/** A unit's routine as a file of its own, for the next vehicle of its kind. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { vehicle } = orNotFound(await findVehicle(context.get(database), params.vehicleId))
  const unit = orNotFound(partsOf(vehicle, 'control-unit').find(({ id }) => id === params.unit))
  if (unit.routine === 'none') throw new Response(null, { status: 404 })
  const procedure = procedureFor(vehicle, unit, techniqueOf(unit.routine))
  const file = procedureFile(procedure, { routine: unit.routine, placeOf: placesOfBleeders(vehicle) })
  return new Response(`${JSON.stringify(file, undefined, 2)}\n`, {
    headers: {
      'Content-Type': 'application/json; charset=utf-8',
      'Content-Disposition': `attachment; filename="routine-${params.vehicleId}.json"`,
    },
  })
}
