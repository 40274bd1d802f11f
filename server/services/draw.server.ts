import { dayIn } from '~/lib/zone'
import { fact, type Notice } from '~core/base/decision'
import type { FluidSpec } from '~core/fluid/specs'
import type { Step } from '~core/job/apply'
import type { JobEvent } from '~core/job/events'
import { fluidIn, mayGoIn } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import { jobTally } from '~core/job/tally'
import { BOOK_ML, draw } from '~core/stock/draw'
import { mayNotPour, pastItsTime } from '~core/stock/may-pour'
import { reserve } from '~core/stock/reserve'
import { wasteKindOf } from '~core/stock/waste'
import type { Queries } from '~server/db/database.server'
import { containersFor, findContainer, move, shelfSettings } from '~server/store/shelf.server'

const dayOf = (iso: string) => dayIn(new Date(iso))
const codesOf = (state?: JobState) => state?.containers.flatMap(({ code }) => code ?? []) ?? []

/** What a job pours: what its plan says, and what else its vehicle takes. */
const pouringOf = (state: JobState) => ({ spec: fluidIn(state), alsoAllowed: mayGoIn(state) })

/** Which container of the shelf an event opens, and on which day. */
function openingOf(event: JobEvent): { code: string; spec: FluidSpec; on: string } | undefined {
  if (event.type !== 'container-opened' && event.type !== 'paper-entered') return undefined
  const { container } = event
  if (container?.code === undefined) return undefined
  return {
    code: container.code,
    spec: container.spec,
    on: event.type === 'paper-entered' ? event.doneOn : dayOf(event.at),
  }
}

/** Why a container named by its code must not be opened for a job; undefined where it may, or the event names none. */
export async function notFromShelf(
  tx: Queries,
  jobId: string,
  before: JobState | undefined,
  event: JobEvent,
): Promise<Notice | undefined> {
  const opening = openingOf(event)
  if (!opening || !before) return undefined
  const found = await findContainer(tx, opening.code, jobId)
  if (!found) return fact('no-such-container', { code: opening.code })
  const { rule } = await shelfSettings(tx)
  const pouring = { ...pouringOf(before), rule, today: opening.on, openedHere: codesOf(before) }
  // That it is empty by the book is no reason: whoever holds it sees what is in it.
  const refused = mayNotPour({ ...found, leftMl: Math.max(1, found.leftMl) }, pouring)
  if (refused) return refused
  return opening.spec === found.spec
    ? undefined
    : fact('wrong-container', { code: found.code, held: found.spec, said: opening.spec })
}

/**
 * What one event of a job does to the shelf and the drum, in the same transaction.
 *
 * @param recorded the job before it, with what the book said of the acts that were sent along with it
 * @returns what was poured beyond what the container in use held by the book, mL; 0 where nobody could read it off
 */
export async function showOnShelf(
  tx: Queries,
  jobId: string,
  recorded: JobState | undefined,
  { event, before, after: state }: Step,
): Promise<number> {
  const by = event.by?.name ?? ''
  const opening = openingOf(event)
  if (opening) await open(tx, jobId, opening, by)
  const owed = recorded?.containers.at(-1)
  const another = event.type === 'container-opened' && opening !== undefined && opening.code !== owed?.code
  const restShortMl =
    another && owed?.beyondMl
      ? await pourTheRest(tx, jobId, event.id, { from: opening.code, owed: owed.code, ml: owed.beyondMl, by })
      : 0
  for (const code of codesOf(recorded)) if (!codesOf(state).includes(code)) await notOpened(tx, jobId, code)
  const pouredMl = jobTally(state).inMl - (recorded ? jobTally(recorded).inMl : 0)
  // The one in use may be none of the shelf's: then nothing here is drawn from.
  const inUse = state.containers.at(-1)?.code
  const shortMl =
    pouredMl > 0 && inUse !== undefined ? await pour(tx, jobId, event.id, inUse, pouredMl, by) : restShortMl
  if (event.type === 'undone') await takeBack(tx, jobId, event.event, by)
  if (state.planned !== before?.planned) await holdBack(tx, jobId, state, dayOf(event.at))
  if (state.filed && !before?.filed) {
    await tx.query('delete from reservation where job_id = $1', [jobId])
    if (state.filed.wasteMl > 0)
      await tx.query('insert into waste (kind, ml, on_day, job_id, by_name) values ($1, $2, $3, $4, $5)', [
        wasteKindOf(state),
        state.filed.wasteMl,
        dayOf(event.at),
        jobId,
        by,
      ])
  }
  return shortMl > BOOK_ML ? shortMl : 0
}

/**
 * The container that was opened next gave what the last one had not: it is drawn from, and no longer missing there.
 *
 * @returns what that one did not hold either
 */
async function pourTheRest(
  tx: Queries,
  jobId: string,
  eventId: string,
  { from, owed, ml, by }: { from: string; owed: string | undefined; ml: number; by: string },
): Promise<number> {
  if (owed !== undefined)
    await move(tx, { code: owed, what: 'drawn', ml: 0, shortMl: -ml, jobId, eventId, by })
  return pour(tx, jobId, eventId, from, ml, by)
}

async function open(
  tx: Queries,
  jobId: string,
  { code, on }: { code: string; on: string },
  by: string,
): Promise<void> {
  const [sealed] = await tx.query<{ code: string }>(
    'update container set opened_on = $2 where code = $1 and opened_on is null returning code',
    [code, on],
  )
  if (sealed) await move(tx, { code, what: 'opened', ml: 0, jobId, by })
}

/** Said by mistake and taken back before anything was poured: it is as sealed as it was. */
async function notOpened(tx: Queries, jobId: string, code: string): Promise<void> {
  const [openedHere] = await tx.query<{ seq: number }>(
    `select seq from container_move m where code = $1 and what = 'opened' and job_id = $2
     and not exists (select 1 from container_move later where later.code = m.code and later.seq > m.seq)`,
    [code, jobId],
  )
  if (openedHere) await tx.query('update container set opened_on = null where code = $1', [code])
}

async function pour(
  tx: Queries,
  jobId: string,
  eventId: string,
  code: string,
  pouredMl: number,
  by: string,
): Promise<number> {
  const [row] = await tx.query<{ left_ml: number }>(
    'select left_ml from container where code = $1 for update',
    [code],
  )
  if (!row) return 0
  const { drawnMl, shortMl } = draw(row.left_ml, pouredMl)
  await tx.query('update container set left_ml = greatest(0, left_ml - $2) where code = $1', [code, drawnMl])
  await tx.query('update reservation set ml = greatest(0, ml - $3) where job_id = $1 and code = $2', [
    jobId,
    code,
    drawnMl,
  ])
  await move(tx, { code, what: 'drawn', ml: -drawnMl, shortMl, jobId, eventId, by })
  return shortMl
}

/** An act was taken back: what it drew goes back, and what it poured beyond the book is forgotten with it. */
async function takeBack(tx: Queries, jobId: string, eventId: string, by: string): Promise<void> {
  const drawn = await tx.query<{ code: string; ml: number; short_ml: number }>(
    "select code, -ml as ml, short_ml from container_move where job_id = $1 and event_id = $2 and what = 'drawn'",
    [jobId, eventId],
  )
  for (const { code, ml, short_ml } of drawn) {
    await tx.query('update container set left_ml = left_ml + $2 where code = $1', [code, ml])
    await move(tx, { code, what: 'given-back', ml, shortMl: -short_ml, jobId, eventId, by })
  }
}

/** What a plan needs is held back on the shelf; another plan, or none, lets go of what the last one held. */
async function holdBack(tx: Queries, jobId: string, state: JobState, today: string): Promise<void> {
  await tx.query('delete from reservation where job_id = $1', [jobId])
  const fluid = state.planned?.plan.fluid
  if (!fluid) return
  const { rule } = await shelfSettings(tx)
  const usable = (await containersFor(tx, jobId)).filter(
    (container) =>
      container.spec === fluid.spec && !pastItsTime(container, { rule, today, openedHere: codesOf(state) }),
  )
  for (const { code, ml } of reserve(fluid.totalMl, usable))
    await tx.query('insert into reservation (job_id, code, ml) values ($1, $2, $3)', [jobId, code, ml])
}
