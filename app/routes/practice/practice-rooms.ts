import { cabCodeShown } from '~server/http/cab.server'
import { cabViewSent } from '~server/live/cab-view-sent.server'
import { openRoom } from '~server/live/practice-rooms.server'
import type { Route } from './+types/practice-rooms'

/** Open a practice to a helper at another screen: the code that lets one phone in. Nothing of it is kept. */
export async function action({ request }: Route.ActionArgs) {
  const { id, code, codeUntilMs } = openRoom(await cabViewSent(request))
  const shown = await cabCodeShown(request, code)
  return Response.json({ id, cab: { ...shown, until: new Date(codeUntilMs).toISOString() } })
}
