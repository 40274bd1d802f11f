import { z } from 'zod'
import { fact } from '../../base/decision'
import { factSchema } from '../../base/fact-schema'
import { callActs, callMove, callStates, callStep } from '../../technique/calls'
import { airReaches } from '../air-reaches'
import { nextBottle } from '../bottles'
import { doubt, finishedPoints } from '../change'
import { copyOfRun, withRun } from '../copies'
import { pourFirst } from '../levels'
import { changePoint, placeNow } from '../place'
import { callKindOf, countAgain, currentStage } from '../points'
import type { JobState } from '../state'
import { CALL_TIMER } from '../timers'
import { becameInV1 } from './call-v1'
import { type EventKind, isRunning, onRun, type Running, refuseOnRun, type Upcast } from './kind'
import { short, stamp } from './stamp'

/** What the act made of the call, as its table stood when it was done: a later table does not change what happened. */
const becameSchema = z.object({
  to: z.enum(callStates),
  /** The joint stands open. */
  open: z.literal(true).optional(),
  /** What came out is written down next. */
  look: z.literal(true).optional(),
  /** Fine bubbles were left time to rise. */
  settled: z.literal(true).optional(),
  /** It is usually left alone a while from here. */
  waits: z.literal(true).optional(),
  /** Air was drawn in: what that says, and which finished places upstream it may have reached. */
  air: z.object({ says: factSchema, doubtful: z.array(short) }).optional(),
})
export type Became = z.output<typeof becameSchema>

export const callSchema = z.object({
  ...stamp,
  type: z.literal('call'),
  act: z.enum(callActs),
  /** Where the person who acts saw the call; an act on what is no longer so is refused, not guessed at. */
  seen: z.object({
    point: short,
    call: z.enum(callStates),
    pulls: z.number().int().min(0),
    /** Which turn of the call that was: the same call after an undo is another one. */
    turn: z.number().int().min(0).optional(),
  }),
  became: becameSchema.optional(),
})
type Call = z.output<typeof callSchema>

function refuse(state: Running, { act, seen: saw }: Call) {
  const here = placeNow(state)
  if ('refusal' in here) return here.refusal
  const { stageRun, point, progress } = here
  const { run } = state
  // Once begun a call is brought to its end, also where something broke and this point must be prepared anew.
  if (run.call === 'rest' && !progress.ready) return fact('point-not-ready')
  const otherTurn = saw.turn !== undefined && saw.turn !== (state.callTurn ?? 0)
  if (otherTurn || saw.point !== point || saw.call !== run.call || saw.pulls !== progress.pulls)
    return fact('gone-on')
  if (!callMove(callKindOf(stageRun.stage), run.call, act)) return fact('act-not-now')
  if (run.call !== 'rest') return undefined
  if (run.lookDue) return fact('look-due')
  return callKindOf(stageRun.stage) === 'bench' ? undefined : pourFirst(state)
}

function complete(state: JobState, event: Call): Call {
  const stageRun = state.run && currentStage(state.run)
  const kind = stageRun && callKindOf(stageRun.stage)
  const move = kind && state.run && callMove(kind, state.run.call, event.act)
  if (!isRunning(state) || !kind || !move) return event
  const after = callStep(kind, move.to)
  const became: Became = {
    to: move.to,
    ...(after?.open && { open: true }),
    ...(move.lookAfter && { look: true }),
    ...(move.settled && { settled: true }),
    ...(after?.waitS !== undefined && { waits: true }),
    ...(move.airDrawn && { air: airReaches(state, event.seen.point, event.act) }),
  }
  return { ...event, became }
}

function apply(state: Running, event: Call): JobState {
  const { run } = state
  const { act, became, at } = event
  const { point } = event.seen
  if (!became || !currentStage(run)) return state
  const lookDue = run.lookDue || became.look === true
  const next = copyOfRun(run)
  next.call = became.to
  next.lookDue = lookDue
  next.callAt = became.to === 'rest' && !lookDue ? undefined : point
  if (became.waits) next.timers = { ...run.timers, [CALL_TIMER]: at }
  next.openedAt = became.open ? (run.openedAt ?? at) : undefined
  // Where other bottles run, the joint in hand is closed and the call goes on at the next.
  if (act === 'close' && (run.hung ?? []).length > 0) return withRun(state, nextBottle(next))
  if (became.settled)
    return changePoint(state, point, (progress) => ({ ...progress, settled: true, cleanStreak: 0 }), next)
  return became.air ? airDrawn(state, event, became.air, next) : withRun(state, next)
}

/** The pedal rose, or the hose came off, with the joint open: this count starts again, and what lies upstream is doubtful. */
function airDrawn(
  state: Running,
  { id, at, by, seen: { point } }: Call,
  { says, doubtful }: NonNullable<Became['air']>,
  run: Running['run'],
): JobState {
  const counted = changePoint(state, point, countAgain, run)
  const report = {
    eventId: id,
    at,
    by,
    what: 'air-drawn',
    says,
    startAgain: [point],
    doubtful,
    stillValid: finishedPoints(run).filter((each) => each !== point && !doubtful.includes(each)),
  }
  return {
    ...counted,
    run: doubtful.length > 0 ? doubt(counted.run, doubtful) : counted.run,
    troubles: [...counted.troubles, report],
  }
}

/** Version 1 left it to the table of its day what an act made of the call. */
const withBecame: Upcast = (old, before) => {
  const event = old as Call
  const stageRun = before?.run && currentStage(before.run)
  if (!before || !isRunning(before) || !stageRun) return old
  const became = becameInV1(callKindOf(stageRun.stage), before.run.call, event.act)
  if (!became) return old
  const { air, ...rest } = became
  return {
    ...event,
    became: { ...rest, ...(air && { air: airReaches(before, event.seen.point, event.act) }) },
  }
}

/** One act of the call between wheel and cab. */
export const call: EventKind<Call> = {
  type: 'call',
  schema: callSchema,
  version: 2,
  upcasts: [withBecame],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  refuse: refuseOnRun(refuse),
  complete,
  apply: onRun(apply),
}
