import { fact, type Notice } from '../base/decision'
import { copyOfJob } from './copies'
import { eventKindOf, type JobEvent, readEvent, UnreadableLog } from './events'
import { openedState } from './events/job-opened'
import type { EventKind } from './events/kind'
import { hydraulicsOpenAt, offFact } from './off-things'
import { handsOn } from './selectors'
import { allOpen } from './standing'
import { type JobState, type Undoable, type UndoKey, undoKeys } from './state'

/** The state after an act with the event as it is recorded, or why the act cannot be. */
export type Applied = { ok: true; state: JobState; event: JobEvent } | { ok: false; refusal: Notice }

const refuse = (refusal: Notice): Applied => ({ ok: false, refusal })

/**
 * The state after one more act, judged by today's rules. Pure: the same acts give the same state, on every machine.
 *
 * @param state undefined before the first event, which must open the job
 * @returns the event as it is to be recorded: with its version, and with what was worked out for it
 */
export function applyEvent(state: JobState | undefined, sent: JobEvent): Applied {
  // What the book says is for whoever keeps it.
  const act = sent.beyondMl === undefined ? sent : { ...sent, beyondMl: undefined }
  const kind = eventKindOf(act.type)
  if (!kind) return refuse(fact('no-such-event'))
  if (!state)
    return act.type === 'job-opened'
      ? { ok: true, state: openedState(act), event: act }
      : refuse(fact('job-not-open'))
  const refusal = refusalOf(state, kind, act)
  if (refusal) return refuse(refusal)
  const completed = kind.complete ? (kind.complete(state, act) as JobEvent) : act
  const event = withVersion(completed, kind.version, completed !== act)
  return { ok: true, state: afterEvent(state, kind, event), event }
}

/** The event with the version of its shape; the first has none. @param fresh nobody else holds it yet */
function withVersion(event: JobEvent, version: number, fresh: boolean): JobEvent {
  if (version === 1 || event.v === version) return event
  if (!fresh) return { ...event, v: version }
  event.v = version
  return event
}

function refusalOf(state: JobState, kind: EventKind, event: JobEvent): Notice | undefined {
  if (state.filed && !kind.onceFiled) return fact('job-filed')
  if (state.parked && !kind.whileParked) return fact('job-parked')
  if (kind.needs && !state.run) return fact('no-plan')
  if (kind.needs === 'plate' && !handsOn(state)) return fact('plate-not-confirmed')
  // What is open or under way is brought to its end whatever is off: closing is always right.
  const begins = kind.movesFluid && state.run?.call === 'rest' && allOpen(state).length === 0
  const off = begins ? hydraulicsOpenAt(state) : undefined
  if (off) return fact('part-is-off', { what: offFact(off) })
  return kind.refuse(state, event)
}

/**
 * The state after something that was recorded: taken as it was recorded, whatever today's rules would say of it.
 *
 * @param state undefined before the first event
 */
export function replayEvent(state: JobState | undefined, event: JobEvent): JobState {
  if (!state) {
    if (event.type !== 'job-opened') throw new Error('a job begins with the event that opens it')
    return openedState(event)
  }
  const kind = eventKindOf(event.type)
  return kind ? afterEvent(state, kind, event) : state
}

function afterEvent(state: JobState, kind: EventKind, event: JobEvent): JobState {
  const made = kind.apply(state, event)
  // A state that was just made is nobody else’s yet: finishing it in place saves a copy of it at every event.
  const next = made === state ? copyOfJob(state) : made
  if (event.beyondMl !== undefined) next.containers = withBeyond(next.containers, event.beyondMl)
  next.undoable = remember(next, state, kind, event)
  next.people = join(state, event)
  next.length = state.length + 1
  if (next.run?.call !== state.run?.call || next.run?.callAt !== state.run?.callAt)
    next.callTurn = (state.callTurn ?? 0) + 1
  next.late = withLate(state.late, event)
  next.sentFor = withSentFor(state.sentFor, event)
  next.lastAt = event.at
  return next
}

/** The container in use gave more than it held by the book: the rest came from one that nobody has named yet. */
const withBeyond = (containers: JobState['containers'], beyondMl: number): JobState['containers'] =>
  containers.map((each, i) =>
    i === containers.length - 1 ? { ...each, beyondMl: (each.beyondMl ?? 0) + beyondMl } : each,
  )

function withLate(before: JobState['late'], { at, waitedS }: JobEvent): JobState['late'] {
  if (waitedS === undefined) return before
  if (!before) return { acts: 1, from: at, to: at, longestS: waitedS }
  return {
    acts: before.acts + 1,
    from: at < before.from ? at : before.from,
    to: at > before.to ? at : before.to,
    longestS: Math.max(before.longestS, waitedS),
  }
}

/** Acts that bear one name and were sent by another: nobody but the one who sent them stands for that. */
function withSentFor(before: JobState['sentFor'], { by, sentBy }: JobEvent): JobState['sentFor'] {
  if (!by || !sentBy) return before
  const known = before?.find((each) => each.by.id === by.id && each.sentBy.id === sentBy.id)
  const others = before?.filter((each) => each !== known) ?? []
  return [...others, { by, sentBy, acts: (known?.acts ?? 0) + 1 }]
}

const join = ({ people }: JobState, { by }: JobEvent): JobState['people'] =>
  by && !people.some(({ id }) => id === by.id) ? [...people, by] : people

/** Acts far enough back to mend a slip of the thumb, few enough to keep a state small. */
const UNDO_STEPS = 5

/** How each is read: by name, since a lookup by key at every act takes longer than the act. */
const readers: { [K in UndoKey]: (state: JobState) => JobState[K] } = {
  run: (state) => state.run,
  proofs: (state) => state.proofs,
  troubles: (state) => state.troubles,
  checkIn: (state) => state.checkIn,
  planned: (state) => state.planned,
  earlier: (state) => state.earlier,
  extraChecks: (state) => state.extraChecks,
  containers: (state) => state.containers,
  standing: (state) => state.standing,
  joints: (state) => state.joints,
  turned: (state) => state.turned,
  offThings: (state) => state.offThings,
  placesLooked: (state) => state.placesLooked,
  failedProofs: (state) => state.failedProofs,
  units: (state) => state.units,
}
const remembering = undoKeys.map((key) => ({ key, of: readers[key] }))

/** Keep what an act changed; one that is final leaves nothing to take back. */
function remember(after: JobState, before: JobState, kind: EventKind, event: JobEvent): Undoable[] {
  if (event.type === 'undone') return after.undoable
  if (kind.undo === 'along') return before.undoable
  if (!kind.undo) return []
  const keys: UndoKey[] = []
  const was: Record<string, unknown> = {}
  for (const { key, of } of remembering) {
    const value = of(before)
    if (of(after) === value) continue
    keys.push(key)
    was[key] = value
  }
  const undoable = { eventId: event.id, type: event.type, keys, before: was } as Undoable
  return [...before.undoable.slice(1 - UNDO_STEPS), undoable]
}

/** The state after all events of one job, in order, each as it was recorded by this version. */
export function replay(events: readonly JobEvent[]): JobState {
  let state: JobState | undefined
  for (const event of events) state = replayEvent(state, event)
  if (!state) throw new Error('a job has at least the event that opened it')
  return state
}

/** One event of a log as it reads today, with the states around it. */
export type Step = { event: JobEvent; before?: JobState; after: JobState }

/**
 * A log as it was stored, by whichever versions, event by event.
 *
 * @param from the state that the first of them follows
 * @throws UnreadableLog where one is of a later version, or not an event at all
 */
export function* replayStored(stored: Iterable<unknown>, from?: JobState): Generator<Step> {
  let before = from
  for (const body of stored) {
    const read = readEvent(body, before)
    if (!read.ok)
      throw new UnreadableLog(String((body as { id?: unknown } | null)?.id ?? 'without an id'), read.faults)
    const after = replayEvent(before, read.value)
    yield { event: read.value, before, after }
    before = after
  }
}
