import { decideScope } from '../plan/scope/scope'
import { partsOf } from '../vehicle/parts'
import { type Applied, refuse } from './applied'
import { stageAgain, startedStage } from './change'
import { copyOfJob } from './copies'
import type { EventOf, FloorEvent, JobEvent } from './events'
import { filed } from './filing'
import { onTheFloor } from './floor'
import { enteredFromPaper } from './from-paper'
import { park, resume } from './parking'
import { pointsOfStage } from './points'
import { checksFor } from './proofs/checks'
import { bleedDone, type JobState, type RunState, type Undoable, type UndoKey, undoKeys } from './state'
import { jobTally } from './tally'
import { tooSoon } from './timers'

/**
 * The state after one more event. Pure: the same events give the same state, on every machine.
 *
 * @param state undefined before the first event, which must open the job
 */
export function applyEvent(state: JobState | undefined, event: JobEvent): Applied {
  if (!state)
    return event.type === 'job-opened'
      ? { ok: true, state: opened(event) }
      : refuse('job-not-open', 'This job was never opened.')
  if (event.type === 'job-opened') return refuse('job-open-already', 'This job is open already.')
  const applied = event.type === 'undone' ? takenBack(state, event) : applyTo(state, event)
  if (!applied.ok) return applied
  // A state that was just made is nobody else’s yet: finishing it in place saves a copy of it at every event.
  const next = applied.state === state ? copyOfJob(state) : applied.state
  next.undoable = remembered(next, state, event)
  next.people = joined(state, event)
  next.length = state.length + 1
  if (next.run?.call !== state.run?.call || next.run?.callAt !== state.run?.callAt)
    next.callTurn = (state.callTurn ?? 0) + 1
  next.late = withLate(state.late, event)
  next.lastAt = event.at
  return { ok: true, state: next }
}

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

const joined = ({ people }: JobState, { by }: JobEvent): JobState['people'] =>
  by && !people.some(({ id }) => id === by.id) ? [...people, by] : people

/** Acts far enough back to mend a slip of the thumb, few enough to keep a state small. */
const UNDO_STEPS = 5
const finalTypes: ReadonlySet<string> = new Set([
  'checked-in',
  'tested',
  'planned',
  'paper-entered',
  'vehicle-moved',
  'filed',
  'addendum',
  'bleed-again',
  'plate-confirmed',
  // How a parked job stands is looked at by whoever goes on: taking the parking back would pass that over.
  'parked',
  'resumed',
])

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
}
const remembering = undoKeys.map((key) => ({ key, of: readers[key] }))

/** Keep what an act changed; one that is final leaves nothing to take back. */
function remembered(after: JobState, before: JobState, event: JobEvent): Undoable[] {
  if (event.type === 'undone') return after.undoable
  if (finalTypes.has(event.type)) return []
  const keys: UndoKey[] = []
  const was: Record<string, unknown> = {}
  for (const { key, of } of remembering) {
    const value = of(before)
    if (of(after) === value) continue
    keys.push(key)
    was[key] = value
  }
  const undoable = { eventId: event.id, type: event.type as FloorEvent['type'], keys, before: was }
  return [...before.undoable.slice(1 - UNDO_STEPS), undoable]
}

/** Undo is an event too: the log keeps what was done and that it was taken back. */
function takenBack(state: JobState, event: EventOf<'undone'>): Applied {
  const last = state.undoable.at(-1)
  if (state.filed) return refuse('job-filed', 'This job is filed and its record is frozen.')
  if (last?.eventId !== event.event)
    return refuse(
      'nothing-to-undo',
      'Something else was done since, so that act can no longer be taken back.',
    )
  // A value that was absent is absent again, also after a state has travelled as JSON.
  const restored = Object.fromEntries(last.keys.map((key) => [key, last.before[key]]))
  return { ok: true, state: { ...state, ...restored, undoable: state.undoable.slice(0, -1) } }
}

/** The state after all events of one job, in order. @throws Error for a log that could not have come about */
export function replay(events: readonly JobEvent[]): JobState {
  let state: JobState | undefined
  for (const event of events) {
    const applied = applyEvent(state, event)
    if (!applied.ok)
      throw new Error(`event ${event.id} (${event.type}) cannot follow: ${applied.refusal.text}`)
    state = applied.state
  }
  if (!state) throw new Error('a job has at least the event that opened it')
  return state
}

function opened(event: EventOf<'job-opened'>): JobState {
  return {
    vehicle: event.vehicle,
    vehicleId: event.vehicleId,
    plate: event.plate,
    openedAt: event.at,
    lastAt: event.at,
    people: event.by ? [event.by] : [],
    comebackOf: event.comebackOf,
    movedFrom: [],
    earlier: [],
    proofs: {},
    extraChecks: [],
    containers: [],
    troubles: [],
    bleedAgainWhy: [],
    parkings: [],
    addenda: [],
    undoable: [],
    length: 1,
  }
}

/** What may still be recorded while a job is parked, and once it is filed. */
const whileParked: ReadonlySet<string> = new Set(['resumed', 'filed'])
const onceFiled: ReadonlySet<string> = new Set(['addendum'])

function applyTo(state: JobState, event: Exclude<JobEvent, { type: 'job-opened' | 'undone' }>): Applied {
  if (state.filed && !onceFiled.has(event.type))
    return refuse('job-filed', 'This job is filed and its record is frozen: add an addendum.')
  if (state.parked && !whileParked.has(event.type))
    return refuse('job-parked', 'This job is parked: confirm how it stands before anything goes on.')
  switch (event.type) {
    case 'checked-in':
      if (begun(state))
        return refuse(
          'bleed-begun',
          'The bleed has begun: what was checked in can no longer be changed under it.',
        )
      return { ok: true, state: { ...state, checkIn: event.checkIn, planned: undefined, run: undefined } }
    case 'tested':
      if (!state.checkIn) return refuse('not-checked-in', 'Check the vehicle in first.')
      if (begun(state))
        return refuse('bleed-begun', 'The bleed has begun: a reading now belongs to the next job.')
      return { ok: true, state: { ...state, tested: event, planned: undefined, run: undefined } }
    case 'planned':
      return planAccepted(state, event)
    case 'paper-entered':
      return enteredFromPaper(state, event)
    case 'vehicle-moved':
      return moved(state, event)
    case 'filed':
      return filed(state, event)
    case 'addendum':
      return state.filed
        ? { ok: true, state: { ...state, addenda: [...state.addenda, event] } }
        : refuse('not-filed', 'The job is still open: write it where it belongs.')
    case 'check-proved':
      return proved(state, event)
    case 'bleed-again':
      return bleedAgain(state, event.why)
    case 'parked':
      return park(state, event)
    case 'resumed':
      return resume(state, event)
    default:
      return onTheFloor(state, event)
  }
}

/** Whether hands are on the vehicle under the present plan. */
const begun = ({ run }: JobState): boolean => run?.plateConfirmed === true

function planAccepted(state: JobState, { shop, plan, fromBench }: EventOf<'planned'>): Applied {
  const { vehicle, checkIn } = state
  if (!checkIn || !state.tested) return refuse('not-tested', 'Check in and test before the plan is taken.')
  if (begun(state)) return refuse('bleed-begun', 'The bleed has begun under another plan.')
  if (plan.verdict === 'stop') return refuse('plan-stopped', 'The plan says stop: settle that first.')
  const levelMl: Record<string, number> = {}
  const first = partsOf(vehicle, 'reservoir')[0]
  if (first && checkIn.levelMl !== undefined) levelMl[first.id] = checkIn.levelMl
  const { cylinderIds } = decideScope(vehicle, checkIn.work, shop.scopeSchool).value
  const run: RunState = {
    plateConfirmed: false,
    stageIndex: 0,
    stages: plan.stages.map((stage) => startedStage(stage, pointsOfStage(vehicle, stage, cylinderIds))),
    call: 'rest',
    lookDue: false,
    levelMl,
    bottleMl: 0,
    mends: [],
    timers: {},
  }
  return { ok: true, state: { ...state, planned: { shop, plan, fromBench }, run, proofs: {} } }
}

/** The wrong vehicle was picked: the job goes to the right one, is checked in there anew, and says where it stood. */
function moved(state: JobState, event: EventOf<'vehicle-moved'>): Applied {
  const { run } = state
  if (event.vehicleId === state.vehicleId) return refuse('same-vehicle', 'It stands on that vehicle already.')
  if (run && (run.call !== 'rest' || run.lookDue))
    return refuse('bleeder-open', 'A call is under way: bring it to its end and close first.')
  const left = {
    why: 'Wrong vehicle picked',
    plate: state.plate,
    at: event.at,
    tally: jobTally({ run, earlier: [] }),
  }
  return {
    ok: true,
    state: {
      ...state,
      vehicle: event.vehicle,
      vehicleId: event.vehicleId,
      plate: event.plate,
      movedFrom: [...state.movedFrom, event.from],
      checkIn: undefined,
      planned: undefined,
      run: undefined,
      fromPaper: undefined,
      proofs: {},
      earlier: begun(state) ? [...state.earlier, left] : state.earlier,
    },
  }
}

function proved(state: JobState, event: EventOf<'check-proved'>): Applied {
  if (!state.run || !bleedDone(state.run)) return refuse('not-bled', 'Finish the bleed before proving it.')
  const check = checksFor(state).find(({ id }) => id === event.check)
  if (!check) return refuse('no-such-check', 'This vehicle has no such check.')
  const soon = event.passed ? tooSoon(check.holdS, event.heldS) : undefined
  if (soon) return refuse(soon.code, soon.text)
  const { passed, value, note, at, by } = event
  // What was held was held for this try: the next one is timed anew.
  const { [check.id]: _over, ...timers } = state.run.timers
  return {
    ok: true,
    state: {
      ...state,
      run: { ...state.run, timers },
      proofs: { ...state.proofs, [check.id]: { passed, value, note, at, by } },
    },
  }
}

/** Back to the first bleed stage with everything after it to be done again; what was proved counts no more. */
function bleedAgain(state: JobState, why: string): Applied {
  const { run } = state
  if (!run || !bleedDone(run)) return refuse('not-bled', 'The bleed is still going on.')
  const from = run.stages.findIndex(({ stage }) => stage.kind === 'bleed')
  if (from < 0) return refuse('no-bleed-stage', 'This plan has no bleed to repeat: make a new plan.')
  const stages = run.stages.map((stageRun, i) => (i < from ? stageRun : stageAgain(stageRun)))
  return {
    ok: true,
    state: {
      ...state,
      proofs: {},
      bleedAgainWhy: [...state.bleedAgainWhy, why],
      run: { ...run, stages, stageIndex: from, call: 'rest', callAt: undefined, lookDue: false, timers: {} },
    },
  }
}
