import { orNotFound } from '~/lib/require'
import { database } from '~server/http/context.server'
import { vehicleFileText } from '~server/store/vehicles.server'
import type { Route } from './+types/vehicle-file'

/** The vehicle file as it came in. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const text = orNotFound(await vehicleFileText(context.get(database), params.vehicleId))
  return new Response(text, {
    headers: {
      'Content-Type': 'application/json; charset=utf-8',
      'Content-Disposition': `attachment; filename="vehicle-${params.vehicleId}.json"`,
    },
  })
}
