import { orNotFound } from '~/lib/require'
import type { Fact } from '~core/base/decision'
import type { JobState } from '~core/job/state'
import { toWire } from '~core/job/wire'
import { isStorageFault } from '~server/db/storage.server'
import { database, personHere } from '~server/http/context.server'
import { recordSent, type Stopped } from '~server/services/sent-acts.server'
import { findJob } from '~server/store/jobs.server'
import type { Route } from './+types/job-events'

/** Acts that are taken in one request. */
const MOST_TOGETHER = 200

/** The job as it stands; nothing where the asker has it already. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const state = orNotFound(await findJob(context.get(database), params.jobId))
  const have = new URL(request.url).searchParams.get('have')
  return have === String(state.length)
    ? new Response(null, { status: 204 })
    : Response.json({ state: toWire(state) })
}

/**
 * Record what happened at the vehicle: one act, or a list of them. Sending again what was recorded already is answered
 * as recorded; what the store cannot take now is answered so that the sender keeps it.
 */
export async function action({ request, params, context }: Route.ActionArgs) {
  const text = await request.text()
  let input: unknown
  try {
    input = JSON.parse(text)
  } catch {
    return refusal(400, { code: 'not-json', text: 'Send JSON.' })
  }
  const acts = Array.isArray(input) ? input : [input]
  if (acts.length > MOST_TOGETHER)
    return refusal(413, { code: 'too-many', text: `Send at most ${MOST_TOGETHER} acts at once.` })
  const db = context.get(database)
  try {
    const sent = await recordSent(db, params.jobId, acts, context.get(personHere) ?? undefined)
    const { length } = orNotFound(sent.state)
    // Why the next one of a list is not taken is told where it is sent by itself.
    if (Array.isArray(input)) return Response.json({ taken: sent.taken, length, beyondMl: sent.beyondMl })
    if (sent.stopped) return stoppedAt(sent.stopped, await findJob(db, params.jobId))
    return Response.json({ length, beyondMl: Object.values(sent.beyondMl)[0] })
  } catch (error) {
    if (!isStorageFault(error)) throw error
    return refusal(507, { code: error.code, text: error.message })
  }
}

function stoppedAt(stopped: Stopped, state: JobState | undefined): Response {
  if (stopped.code === 'unread') return refusal(400, { code: 'not-an-event', text: stopped.said })
  const status = stopped.code === 'not-found' ? 404 : 409
  return Response.json({ refusal: stopped.refusal, state: state && toWire(state) }, { status })
}

/** Not recorded: what cannot be read is set aside by whoever sent it, what cannot be stored now is sent again. */
const refusal = (status: number, why: Fact) => Response.json({ refusal: why }, { status })
