import { fact, type Notice } from '~core/base/decision'
import { applyEvent, replayEvent, type Step } from '~core/job/apply'
import type { JobEvent } from '~core/job/events'
import { recordOf } from '~core/job/record'
import { stationOf } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import { hashOf } from '~core/ledger/canonical'
import { NOTHING_BEFORE } from '~core/ledger/event-chain'
import type { Database, Queries } from '~server/db/database.server'
import type { ShopKey } from '~server/db/shop-key.server'
import { jobChanged } from '~server/live/hub.server'
import { unlinkCab } from '~server/store/cab.server'
import { type End, foldedJob, lastAppended, remember } from '~server/store/folded.server'
import { showFollowUps } from '~server/store/follow-ups.server'
import {
  asRows,
  enterAddendum,
  enterRecord,
  type LoggedEvent,
  logged,
  WRITE_EVENTS,
} from '~server/store/ledger.server'
import { stands, standsElsewhere } from '~server/store/stands.server'
import { notFromShelf, showOnShelf } from './draw.server'
import { showInFluid } from './fluid-history.server'
import { documentOf } from './record.server'

/** What became of events that were sent: the job's new state, or why they cannot follow. */
export type Appended =
  /** `beyondMl`: what they poured beyond the book, by their ids, which a sender cannot know. */
  | { ok: true; state: JobState; beyondMl: Readonly<Record<string, number>> }
  | { ok: false; code: 'not-found' | 'refused'; refusal: Notice }

/**
 * Record events on a job, in order, in one transaction with what lists show of it. One that is recorded already
 * is passed over, so that a client that never heard the answer may send again.
 */
export async function appendEvents(
  db: Database,
  jobId: string,
  events: readonly JobEvent[],
): Promise<Appended> {
  const end = lastAppended(db, jobId)
  const appended =
    (end && (await appendAfter(db, jobId, end, events))) ?? (await appendAsRead(db, jobId, events))
  if (!appended.ok) return appended
  // Only what is committed may be gone on from.
  const { link, written, ...answer } = appended
  remember(db, jobId, answer.state, link)
  jobChanged(
    jobId,
    written.map(({ seq, event }) => ({ place: seq, event })),
  )
  return answer
}

type Refused = Extract<Appended, { ok: false }>
type Linked = Extract<Appended, { ok: true }> & { link: string; written: readonly LoggedEvent[] }

/**
 * Go on from where this process left a job, without asking first: a question takes a third of an act. The log itself
 * refuses a number or an act that is there already, and whatever is refused here is judged again from what is read.
 */
async function appendAfter(
  db: Database,
  jobId: string,
  end: End,
  events: readonly JobEvent[],
): Promise<Linked | undefined> {
  try {
    const appended = await db.transaction((tx) => appendTo(db, tx, jobId, end, events))
    return appended.ok ? appended : undefined
  } catch (error) {
    if (isThereAlready(error)) return undefined
    throw error
  }
}

/** @source PostgreSQL, appendix A: 23505, unique violation */
const isThereAlready = (error: unknown) => (error as { code?: unknown } | null)?.code === '23505'

/** Judge events by what is recorded. */
const appendAsRead = (db: Database, jobId: string, events: readonly JobEvent[]): Promise<Refused | Linked> =>
  db.transaction(async (tx) => {
    type Row = { seq: number | null; link: string | null; recorded: Recorded[] | null }
    const [row] = await tx.query<Row>(
      `select last.seq, last.link,
         (select json_agg(json_build_object('id', id, 'body', body) order by seq) from job_event
          where job_id = job.id and id = any($2)) as recorded
       from job
       left join lateral (select seq, link from job_event where job_id = job.id order by seq desc limit 1) last on true
       where job.id = $1 for update of job`,
      [jobId, events.map(({ id }) => id)],
    )
    if (!row) return { ok: false, code: 'not-found', refusal: fact('no-such-job') }
    const state = await foldedJob(db, tx, jobId, row.seq ?? 0)
    const recorded = row.recorded ?? []
    const other = events.find((event) =>
      recorded.some(({ id, body }) => id === event.id && !isSameAct(event, body)),
    )
    if (other) return { ok: false, code: 'refused', refusal: fact('another-act', { act: other.type }) }
    if (!state) return { ok: false, code: 'refused', refusal: fact('job-not-open') }
    const fresh = events.filter((event) => !recorded.some(({ id }) => id === event.id))
    const appended = await appendTo(db, tx, jobId, { state, link: row.link ?? NOTHING_BEFORE }, fresh)
    // One that is sent again gets the answer that was lost.
    return appended.ok
      ? { ...appended, beyondMl: { ...beyondOf(recorded.map(({ body }) => body)), ...appended.beyondMl } }
      : appended
  })

/** Judge events that are not recorded yet, and write them with all that follows from them. */
async function appendTo(
  db: Database,
  tx: Queries,
  jobId: string,
  { state: before, link: previous }: End,
  fresh: readonly JobEvent[],
): Promise<Refused | Linked> {
  const { steps, refusal: unfit } = judged(fresh, before)
  const refusal =
    unfit ?? (await firstNotFromShelf(tx, jobId, steps)) ?? (await standsElsewhere(tx, jobId, steps))
  if (refusal) return { ok: false, code: 'refused', refusal }
  let state = before
  let link = previous
  const written: LoggedEvent[] = []
  for (const step of steps) {
    const event = await withWhatIsBeyond(tx, jobId, state, step)
    const next = logged(jobId, { seq: state.length + 1, previous: link }, event)
    written.push(next)
    link = next.link
    state = replayEvent(state, event)
  }
  if (fresh.length > 0) {
    await writeWithLists(tx, jobId, written, state)
    await showInFluid(tx, jobId, before, state)
  }
  if (state.filed && fresh.length > 0) await showFollowUps(tx, jobId, state)
  if (state.filed && !before.filed) {
    await freeze(tx, db.shopKey, jobId, state)
    await unlinkCab(tx, jobId)
  } else if (fresh.some(({ type }) => type === 'addendum')) await enterAddendum(tx, db.shopKey, jobId)
  return { ok: true, state, link, written, beyondMl: beyondOf(written.map(({ event }) => event)) }
}

const beyondOf = (events: readonly JobEvent[]): Record<string, number> =>
  Object.fromEntries(events.flatMap(({ id, beyondMl }) => (beyondMl === undefined ? [] : [[id, beyondMl]])))

type Recorded = { id: string; body: JobEvent }

/** Who sent it, how long it waited and by which clock may differ from one sending to the next. */
const OF_THE_SENDING = new Set(['by', 'sentBy', 'waitedS', 'v', 'at', 'screenAt'])

/** Whether an act that bears a recorded one's id is that act: what was sent then was kept, perhaps with more. */
const isSameAct = (sent: JobEvent, recorded: unknown): boolean =>
  Object.entries(sent).every(
    ([key, value]) =>
      OF_THE_SENDING.has(key) ||
      value === undefined ||
      hashOf(value) === hashOf((recorded as Record<string, unknown>)[key] ?? null),
  )

/** Do to the shelf what an event does. @returns it as it is to be kept: with what the book says of it */
async function withWhatIsBeyond(
  tx: Queries,
  jobId: string,
  recorded: JobState | undefined,
  step: Step,
): Promise<JobEvent> {
  const { event } = step
  const beyondMl = await showOnShelf(tx, jobId, recorded, step)
  return beyondMl > 0 ? { ...event, beyondMl } : event
}

async function firstNotFromShelf(
  tx: Queries,
  jobId: string,
  steps: readonly Step[],
): Promise<Notice | undefined> {
  for (const { event, before } of steps) {
    const refusal = await notFromShelf(tx, jobId, before, event)
    if (refusal) return refusal
  }
  return undefined
}

/** Events, and what lists show of their job. */
const writeWithLists = (tx: Queries, jobId: string, events: readonly LoggedEvent[], state: JobState) =>
  tx.query(
    `with written as (${WRITE_EVENTS})
     update job set station = $3, outcome = $4, updated_at = $5, filed_at = $6, vehicle_id = $7, bay = $8,
       parked_at = $9, stands = $10
     where id = $1`,
    [
      jobId,
      asRows(events),
      stationOf(state),
      state.filed?.outcome ?? null,
      state.lastAt,
      state.filed?.at ?? null,
      state.vehicleId,
      state.checkIn?.bay ?? '',
      state.parked?.at ?? null,
      stands(state),
    ],
  )

/** Keep the record as it was signed; what could be taken back no longer can. */
async function freeze(tx: Queries, key: ShopKey, jobId: string, state: JobState): Promise<void> {
  const record = recordOf(state, await documentOf(tx, jobId, state))
  await tx.query('insert into record (job_id, state) values ($1, $2)', [jobId, JSON.stringify(record)])
  await enterRecord(tx, key, jobId, record)
}

/** New acts judged one after another, each as it is to be recorded; or why one of them cannot be. */
function judged(acts: readonly JobEvent[], from?: JobState): { steps: Step[]; refusal?: Notice } {
  let state = from
  const steps: Step[] = []
  for (const act of acts) {
    const applied = applyEvent(state, act)
    if (!applied.ok) return { steps, refusal: applied.refusal }
    steps.push({ event: applied.event, before: state, after: applied.state })
    state = applied.state
  }
  return { steps }
}
