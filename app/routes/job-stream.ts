import { database } from '~/context'
import { hasPhone } from '~/db/cab.server'
import { eventsAfter, findJob } from '~/db/jobs.server'
import { personAtScreen } from '~/db/people.server'
import { orNotFound } from '~/lib/require'
import { screenToken } from '~/lib/who.server'
import { onJobChange, onPhone, onScreenLeft, phoneExpected, phoneOf } from '~/live/hub.server'
import { eventStream, lastSeen } from '~/live/stream.server'
import type { Route } from './+types/job-stream'

/**
 * For a bay: every event of its job from the last it has seen, and how the phone in the cab stands. A bay that was
 * cut off is told what it missed, in order, and nothing twice.
 */
export async function loader({ request, params: { jobId }, context }: Route.LoaderArgs) {
  const db = context.get(database)
  orNotFound(await findJob(db, jobId))
  if (await hasPhone(db, jobId)) phoneExpected(jobId)
  let told = lastSeen(request)
  return eventStream(
    request.signal,
    (send, end) => {
      const phone = () => send('phone', phoneOf(jobId))
      // One reading of the log at a time: two at once would tell the same events twice.
      let telling = Promise.resolve()
      const tell = async () => {
        for (const { place, event } of await eventsAfter(db, jobId, told)) {
          send('recorded', { place, event }, place)
          told = place
        }
      }
      const wentOn = () => {
        telling = telling.then(tell).catch(() => end())
      }
      wentOn()
      phone()
      const token = screenToken(request) ?? ''
      const off = [onJobChange(jobId, wentOn), onPhone(jobId, phone), onScreenLeft(token, end)]
      return () => {
        for (const each of off) each()
      }
    },
    (send, end) => {
      send('phone', phoneOf(jobId))
      // A shift that is over, or somebody who was said to have left, ends what their screen is shown.
      void personAtScreen(db, screenToken(request) ?? '', new Date()).then((person) => person ?? end(), end)
    },
  )
}
