import { database } from '~/context'
import { jobOfPhone } from '~/db/cab.server'
import { findJob } from '~/db/jobs.server'
import { cabToken, jobHere } from '~/lib/cab.server'
import { onJobChange, phoneSent } from '~/live/hub.server'
import { eventStream } from '~/live/stream.server'
import { cabView } from '~core/cab/view'
import type { Route } from './+types/cab-stream'

/** For a phone in the cab: what it is to show, whenever that changes, until the job ends or another phone takes over. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const jobId = await jobHere(db, request)
  const token = cabToken(request)
  return eventStream(
    request.signal,
    (send, end) => {
      const tell = async () => {
        const [state, mine] = [await findJob(db, jobId), await jobOfPhone(db, token)]
        if (mine !== jobId) {
          send('gone', {})
          end()
        } else if (state) {
          const view = cabView(state)
          phoneSent(jobId, view.turn)
          send('view', view, state.length)
        }
      }
      const told = () => void tell().catch(() => end())
      told()
      return onJobChange(jobId, told)
    },
    (send) => send('beat', {}),
  )
}
