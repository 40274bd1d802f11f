import { orNotFound } from '~/lib/require'
import type { Notice } from '~core/base/decision'
import { faultLine } from '~core/base/fault'
import { type FloorEvent, type Person, readFloorEvent } from '~core/job/events'
import { toWire } from '~core/job/wire'
import { isStorageFault } from '~server/db/storage.server'
import { database, personHere } from '~server/http/context.server'
import { type Appended, appendEvents } from '~server/services/append.server'
import { withTimePutRight } from '~server/services/clock.server'
import { notHeld } from '~server/services/held.server'
import { findJob } from '~server/store/jobs.server'
import { findPerson } from '~server/store/people.server'
import type { Route } from './+types/job-events'

/** The job as it stands; nothing where the asker has it already. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const state = orNotFound(await findJob(context.get(database), params.jobId))
  const have = new URL(request.url).searchParams.get('have')
  return have === String(state.length)
    ? new Response(null, { status: 204 })
    : Response.json({ state: toWire(state) })
}

/**
 * Record one thing that happened at the vehicle. Sending again what was recorded already is answered as recorded;
 * what the store cannot take now is answered so that the sender keeps it.
 */
export async function action({ request, params, context }: Route.ActionArgs) {
  const text = await request.text()
  let input: unknown
  try {
    input = JSON.parse(text)
  } catch {
    return unread('not-json', 'Send JSON.')
  }
  const db = context.get(database)
  const before = orNotFound(await findJob(db, params.jobId))
  const read = readFloorEvent(input, before)
  if (!read.ok) return unread('not-an-event', read.faults[0] ? faultLine(read.faults[0]) : 'Not an event.')
  try {
    const sent = withTimePutRight(read.value, before.openedAt, Date.now())
    const event = await signed(sent, context.get(personHere) ?? undefined, (id) => findPerson(db, id))
    const early = await notHeld(db, params.jobId, event)
    const appended = early ? refused(early) : await appendEvents(db, params.jobId, [event])
    if (appended.ok) return Response.json({ length: appended.state.length, beyondMl: appended.beyondMl })
    const state = await findJob(db, params.jobId)
    return Response.json(
      { refusal: appended.refusal, state: state && toWire(state) },
      { status: appended.code === 'not-found' ? 404 : 409 },
    )
  } catch (error) {
    if (!isStorageFault(error)) throw error
    return Response.json({ refusal: { code: error.code, text: error.message } }, { status: 507 })
  }
}

/** Nothing to be made of it: whoever sent it sets it aside. */
const unread = (code: string, text: string) => Response.json({ refusal: { code, text } }, { status: 400 })

const refused = (refusal: Notice): Appended => ({ ok: false, code: 'refused', refusal })

/**
 * The event with who did it. Work done without the server may be sent when somebody else has taken the screen: it
 * bears the name of who did it, and says who sent it.
 */
async function signed(
  { sentBy: _claimed, ...event }: FloorEvent,
  here: Person | undefined,
  find: (id: string) => Promise<Person | undefined>,
): Promise<FloorEvent> {
  const doer = event.by && event.by.id !== here?.id ? await find(event.by.id) : undefined
  return (doer ? { ...event, by: doer, sentBy: here } : { ...event, by: here }) as FloorEvent
}
