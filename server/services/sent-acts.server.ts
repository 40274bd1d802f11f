import type { Notice } from '~core/base/decision'
import { type Fault, faultLine } from '~core/base/fault'
import { applyEvent } from '~core/job/apply'
import { type FloorEvent, type Person, readFloorEvent } from '~core/job/events'
import type { JobState } from '~core/job/state'
import type { Database } from '~server/db/database.server'
import { lastAppended } from '~server/store/folded.server'
import { findJob } from '~server/store/jobs.server'
import { findPerson } from '~server/store/people.server'
import { type Appended, appendEvents } from './append.server'
import { withTimePutRight } from './clock.server'
import { endsTimer, notHeld } from './held.server'

/** Why an act was not recorded: nothing can be made of it, or its job does not take it. */
export type Stopped = { code: 'unread'; said: string } | { code: 'not-found' | 'refused'; refusal: Notice }

/** What became of acts that a screen sent: so many of them are recorded, and what stopped the next one, if it was stopped. */
export type Sent = {
  taken: number
  /** The job after those that were taken; undefined where there is none. */
  state?: JobState
  /** What they poured beyond the book, mL, by their ids. */
  beyondMl: Readonly<Record<string, number>>
  stopped?: Stopped
}

/**
 * Record what happened at the vehicle, in its order, until an act cannot be: whoever sent it hears why, and sends what
 * comes after it again or not. What follows one upon another is recorded together, since a screen that was away has
 * much to send.
 *
 * @param here who is at the screen that sends
 * @throws StorageFault where the store takes nothing now; what was taken before stays recorded, and may be sent again
 */
export async function recordSent(
  db: Database,
  jobId: string,
  acts: readonly unknown[],
  here: Person | undefined,
): Promise<Sent> {
  let state = lastAppended(db, jobId)?.state ?? (await findJob(db, jobId))
  const beyondMl: Record<string, number> = {}
  let together = true
  let taken = 0
  while (state && taken < acts.length) {
    const sent = together ? acts.slice(taken) : [acts[taken]]
    const read = await readOn(db, state, sent, here)
    if (!read.ok) return { taken, state, beyondMl, stopped: { code: 'unread', said: read.said } }
    const appended = await appendHeld(db, jobId, read.events)
    if (appended.ok) {
      state = appended.state
      taken += read.events.length
      Object.assign(beyondMl, appended.beyondMl)
    } else if (read.events.length > 1) together = false
    else return { taken, state, beyondMl, stopped: appended }
  }
  return { taken, state, beyondMl }
}

/** As many acts, from the first on, as can be judged one upon another without looking at anything but their job. */
async function readOn(
  db: Database,
  before: JobState,
  acts: readonly unknown[],
  here: Person | undefined,
): Promise<{ ok: true; events: FloorEvent[] } | { ok: false; said: string }> {
  let state = before
  const events: FloorEvent[] = []
  for (const act of acts) {
    const read = readFloorEvent(act, state)
    if (!read.ok) return events.length > 0 ? { ok: true, events } : { ok: false, said: said(read.faults) }
    const timed = withTimePutRight(read.value, before.openedAt, Date.now())
    const event = await signed(timed, here, (id) => findPerson(db, id))
    const applied = applyEvent(state, event)
    const again = events.some(({ id }) => id === event.id)
    const alone = !applied.ok || again || endsTimer(event) || event.type === 'container-opened'
    if (events.length === 0 || !alone) events.push(event)
    if (!applied.ok || alone) break
    state = applied.state
  }
  return { ok: true, events }
}

const said = (faults: readonly Fault[]): string => (faults[0] ? faultLine(faults[0]) : 'Not an event.')

/** @param events none but the first ends what had to be held */
async function appendHeld(db: Database, jobId: string, events: readonly FloorEvent[]): Promise<Appended> {
  const [first] = events
  const early = first && (await notHeld(db, jobId, first))
  return early ? { ok: false, code: 'refused', refusal: early } : appendEvents(db, jobId, events)
}

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
