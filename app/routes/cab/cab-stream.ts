import { linkHere } from '~server/http/cab-link.server'
import { database } from '~server/http/context.server'
import { onJobChange, phoneSent } from '~server/live/hub.server'
import { eventStream } from '~server/live/stream.server'
import type { Route } from './+types/cab-stream'

/** For a phone in the cab: what it is to show, whenever that changes, until it ends or another phone takes over. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const link = await linkHere(context.get(database), request)
  return eventStream(
    request.signal,
    (send, end) => {
      const tell = async () => {
        const view = await link.view()
        if (view === undefined) {
          send('gone', {})
          end()
        } else {
          phoneSent(link.key, view.turn)
          send('view', view, view.length)
        }
      }
      const told = () => void tell().catch(() => end())
      told()
      return onJobChange(link.key, told)
    },
    (send) => send('beat', {}),
  )
}
