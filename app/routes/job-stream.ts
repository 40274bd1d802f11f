import { database } from '~/context'
import { hasPhone } from '~/db/cab.server'
import { findJob } from '~/db/jobs.server'
import { orNotFound } from '~/lib/require'
import { onJobChange, onPhone, phoneExpected, phoneOf } from '~/live/hub.server'
import { eventStream } from '~/live/stream.server'
import type { Route } from './+types/job-stream'

/** For a bay: that its job went on, and how the phone in the cab stands. */
export async function loader({ request, params: { jobId }, context }: Route.LoaderArgs) {
  const db = context.get(database)
  orNotFound(await findJob(db, jobId))
  if (await hasPhone(db, jobId)) phoneExpected(jobId)
  return eventStream(
    request.signal,
    (send) => {
      const phone = () => send('phone', phoneOf(jobId))
      const wentOn = () => send('went-on', {})
      wentOn()
      phone()
      const off = [onJobChange(jobId, wentOn), onPhone(jobId, phone)]
      return () => {
        for (const each of off) each()
      }
    },
    (send) => send('phone', phoneOf(jobId)),
  )
}
