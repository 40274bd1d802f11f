import { orNotFound } from '~/lib/require'
import { cabViewSent } from '~server/live/cab-view-sent.server'
import { closeRoom, roomOf, showRoom } from '~server/live/practice-rooms.server'
import type { Route } from './+types/practice-room'

/** What the helper's phone shows from here on; or the practice is over, and the phone is told. */
export async function action({ request, params: { room: id } }: Route.ActionArgs) {
  const room = orNotFound(roomOf(id))
  if (new URL(request.url).searchParams.has('ends')) closeRoom(id)
  else showRoom(room, await cabViewSent(request))
  return new Response(null, { status: 204 })
}
