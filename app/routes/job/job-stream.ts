import { orNotFound } from '~/lib/require'
import { serverBuild } from '~server/http/build.server'
import { database } from '~server/http/context.server'
import { screenToken } from '~server/http/who.server'
import { onJobChange, onPhone, onScreenLeft, phoneExpected, phoneOf } from '~server/live/hub.server'
import { eventStream, lastSeen } from '~server/live/stream.server'
import { hasPhone } from '~server/store/cab.server'
import { eventsAfter, findJob, type Recorded } from '~server/store/jobs.server'
import { personAtScreen } from '~server/store/people.server'
import type { Route } from './+types/job-stream'

/**
 * The one feed of a job, for every screen that shows it: each event from the last it has seen, how the phone in the cab
 * stands, and by each beat how far it was told and of which build the server is. A screen that was cut off is told what
 * it missed, in order, and nothing twice.
 */
export async function loader({ request, params: { jobId }, context }: Route.LoaderArgs) {
  const db = context.get(database)
  orNotFound(await findJob(db, jobId))
  if (await hasPhone(db, jobId)) phoneExpected(jobId)
  let told = lastSeen(request)
  const beat = () => ({ told, build: serverBuild() })
  return eventStream(
    request.signal,
    (send, end) => {
      const phone = () => send('phone', phoneOf(jobId))
      // One reading of the log at a time: two at once would tell the same events twice.
      let telling = Promise.resolve()
      const tell = async (recorded: readonly Recorded[]) => {
        const later = recorded.filter(({ place }) => place > told)
        if (recorded.length > 0 && later.length === 0) return
        // What its writer holds is told as it is; what lies between is read from the log.
        const follows = later[0]?.place === told + 1
        for (const { place, event } of follows ? later : await eventsAfter(db, jobId, told)) {
          send('recorded', { place, event }, place)
          told = place
        }
      }
      const wentOn = (recorded: readonly Recorded[] = []) => {
        telling = telling.then(() => tell(recorded)).catch(() => end())
      }
      // Of which build it is comes first: what follows may be in a newer shape than the page reads.
      send('beat', beat())
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
      send('beat', beat())
      // A shift that is over, or somebody who was said to have left, ends what their screen is shown.
      void personAtScreen(db, screenToken(request) ?? '', new Date()).then((person) => person ?? end(), end)
    },
  )
}
