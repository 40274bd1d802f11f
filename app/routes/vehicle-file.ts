import { database } from '~/context'
import { vehicleFileText } from '~/db/vehicles.server'
import { orNotFound } from '~/lib/require'
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
