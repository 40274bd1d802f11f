import { orNotFound } from '~/lib/require'
import { onPhone, phoneOf } from '~server/live/hub.server'
import { onHelperAct, roomKey, roomOf } from '~server/live/practice-rooms.server'
import { eventStream } from '~server/live/stream.server'
import type { Route } from './+types/practice-stream'

/** For the page that holds a practice: how the helper's phone stands, and what the helper says. */
export function loader({ request, params: { room: id } }: Route.LoaderArgs) {
  orNotFound(roomOf(id))
  const key = roomKey(id)
  return eventStream(
    request.signal,
    (send) => {
      const phone = () => send('phone', phoneOf(key))
      phone()
      const off = [onPhone(key, phone), onHelperAct(id, (act) => send('act', act))]
      return () => {
        for (const each of off) each()
      }
    },
    (send, end) => (roomOf(id) ? send('phone', phoneOf(key)) : end()),
  )
}
