import { data } from 'react-router'
import { readScale } from '~server/devices/read-scale.server'
import { database } from '~server/http/context.server'
import { screenToken } from '~server/http/who.server'
import { onScreenLeft } from '~server/live/hub.server'
import { eventStream } from '~server/live/stream.server'
import { devicePort } from '~server/store/device-ports.server'
import { personAtScreen } from '~server/store/people.server'
import type { Route } from './+types/scale-stream'

/** A scale that says its weight more often than this is heard at this, ms. */
const OFTEN_MS = 80

/** For a bay: what the shop's scale says, as it says it. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const port = await devicePort(db, 'scale')
  if (port === undefined)
    throw data({ sentence: 'This shop has no scale on a port: see Shop.' }, { status: 404 })
  const token = screenToken(request) ?? ''
  return eventStream(
    request.signal,
    (send, end) => {
      const left = new AbortController()
      const listen = async () => {
        let sentAt = 0
        for await (const said of readScale(port, left.signal)) {
          if (said.says === 'grams' && Date.now() - sentAt < OFTEN_MS) continue
          sentAt = Date.now()
          send('scale', said)
        }
      }
      void listen().catch(end)
      const off = onScreenLeft(token, end)
      return () => {
        off()
        left.abort()
      }
    },
    (send, end) => {
      send('beat', null)
      // A shift that is over ends what its screen is shown.
      void personAtScreen(db, token, new Date()).then((person) => person ?? end(), end)
    },
  )
}
