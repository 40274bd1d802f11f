import { orNotFound } from '~/lib/require'
import { partsOf } from '~core/vehicle/parts'
import { database } from '~server/http/context.server'
import { routineFile } from '~server/store/routines.server'
import { findVehicle } from '~server/store/vehicles.server'
import type { Route } from './+types/routine-file'

/** A unit's routine as a file of its own, for the next vehicle of its kind. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { vehicle } = orNotFound(await findVehicle(context.get(database), params.vehicleId))
  const unit = orNotFound(partsOf(vehicle, 'control-unit').find(({ id }) => id === params.unit))
  const file = orNotFound(routineFile(vehicle, unit))
  return new Response(`${JSON.stringify(file, undefined, 2)}\n`, {
    headers: {
      'Content-Type': 'application/json; charset=utf-8',
      'Content-Disposition': `attachment; filename="routine-${params.vehicleId}.json"`,
    },
  })
}
