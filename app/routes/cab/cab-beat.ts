import { linkHere } from '~server/http/cab-link.server'
import { database } from '~server/http/context.server'
import { phoneBeat } from '~server/live/hub.server'
import type { Route } from './+types/cab-beat'

/** The phone is there and shows this turn of the call; or it is about to go dark. */
export async function action({ request, context }: Route.ActionArgs) {
  const { key } = await linkHere(context.get(database), request)
  const said = new URL(request.url).searchParams
  const shows = Number(said.get('shows'))
  phoneBeat(key, { dark: said.has('dark'), shows: Number.isSafeInteger(shows) && shows > 0 ? shows : 0 })
  return new Response(null, { status: 204 })
}
