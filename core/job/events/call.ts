import { z } from 'zod'
import { secondsBetween } from '../../base/day'
import { fact } from '../../base/decision'
import { isMishap } from '../../technique'
import { callActs, callMove, callStates, callStep } from '../../technique/calls'
import { goBack } from '../advance'
import { type Air, airReaches, airSchema } from '../air-reaches'
import { nextBottle } from '../bottles'
import { copyOfRun, withRun } from '../copies'
import { pourFirst } from '../levels'
import { hoseSaid, lookFirst, unseenPullMl, withUnseenPull } from '../looks'
import { changePoint, placeNow } from '../place'
import { callOf, currentStage, feedsReservoir, lookOwed, looksAfterPull, pointOf } from '../points'
import { standsUp, withShut } from '../standing'
import type { JobState } from '../state'
import { CALL_TIMER } from '../timers'
import { withAirAt } from '../with-air'
import { becameInV1 } from './call-v1'
import { type EventKind, isRunning, onRun, type Running, refuseOnRun, type Upcast } from './kind'
import { ml, short, stamp } from './stamp'

/** What the act made of the call, as its table stood when it was done: a later table does not change what happened. */
const becameSchema = z.object({
  to: z.enum(callStates),
  /** The joint stands open. */
  open: z.literal(true).optional(),
  /** What came out is written down next. */
  look: z.literal(true).optional(),
  /** What came out is written down with a later pull; it is taken to be this much, mL. */
  unseenMl: ml.optional(),
  /** Fine bubbles were left time to rise. */
  settled: z.literal(true).optional(),
  /** It is usually left alone a while from here. */
  waits: z.literal(true).optional(),
  /** Air was drawn in: what that says, and which finished places upstream it may have reached. */
  air: airSchema.optional(),
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
  /** Of a joint that was closed: what its hose showed until then. */
  hose: z.enum(hoseSaid).optional(),
  became: becameSchema.optional(),
})
type Call = z.output<typeof callSchema>

/** With a joint open elsewhere, or broken here, nothing is begun and nothing is let go of; closing is always right. */
const BEGINS_OR_LETS_GO: ReadonlySet<Call['act']> = new Set([
  'press',
  'open',
  'draw',
  'stroke',
  'release',
  'let-off',
])

function refuse(state: Running, { act, seen: saw }: Call) {
  const here = placeNow(state)
  if ('refusal' in here) return here.refusal
  const { stageRun, point, progress } = here
  const { run } = state
  // Once begun a call is brought to its end, also where something broke and this point must be prepared anew.
  if (run.call === 'rest' && !progress.ready) return fact('point-not-ready')
  // An act that does not say which turn it saw may be of any.
  const otherTurn = saw.turn !== (state.callTurn ?? 0)
  if (otherTurn || saw.point !== point || saw.call !== run.call || saw.pulls !== progress.pulls)
    return fact('gone-on')
  if (!callMove(callOf(stageRun.stage), run.call, act)) return fact('act-not-now')
  const open = state.standing.open[0]
  if (open && BEGINS_OR_LETS_GO.has(act)) return fact('stands-open', { point: open.point })
  // Named on while a joint stood open: it is closed first, and the pressure let off.
  const pressed = standsUp(state, 'pressure') && !feedsReservoir(stageRun.stage)
  if (pressed && BEGINS_OR_LETS_GO.has(act) && act !== 'release' && act !== 'let-off')
    return fact('pressure-on')
  if (run.call !== 'rest') return undefined
  if (lookFirst(state)) return fact('look-due')
  return callOf(stageRun.stage).offVehicle ? undefined : pourFirst(state)
}

/** Which of the two ways to draw air in an act is. */
const slipOf = (act: Call['act']) =>
  act === 'foot-slipped' || act === 'tool-died' ? 'foot-slipped' : 'hose-came-off'

/** The first version counted from nothing, whatever had come back. */
const allOfItAgain = ({ drawnInMl: _not, ...air }: Air): Air => air

/** What came within this time of the last look is too little to be read off a bottle. @source from memory */
const UNSEEN_S = 10

/** Whether a bleeder that is left open ran on since somebody looked: what came meanwhile is written down at closing. */
function ranUnseen({ run }: Running, { at, seen: { point } }: Call): boolean {
  const stageRun = currentStage(run)
  if (!stageRun || run.call !== 'open' || looksAfterPull(stageRun.stage)) return false
  if (!callOf(stageRun.stage).looks.ml) return false
  const since = run.openedAt ?? pointOf(stageRun, point)?.seenAt
  return since === undefined || secondsBetween(since, at) > UNSEEN_S
}

function complete(state: JobState, event: Call): Call {
  const stageRun = state.run && currentStage(state.run)
  const table = stageRun && callOf(stageRun.stage)
  const move = table && state.run && callMove(table, state.run.call, event.act)
  if (!isRunning(state) || !table || !move) return event
  const after = callStep(table, move.to)
  const unseenMl = move.lookAfter && unseenPullMl(state, event.seen.point, event.hose)
  const look = (move.lookAfter && !unseenMl) || (event.act === 'close' && ranUnseen(state, event))
  const became: Became = {
    to: move.to,
    ...(after?.open && { open: true }),
    ...(look && { look: true }),
    ...(unseenMl && { unseenMl }),
    ...(move.settled && { settled: true }),
    ...(after?.waitS !== undefined && { waits: true }),
    ...(move.airDrawn && { air: airReaches(state, event.seen.point, slipOf(event.act)) }),
  }
  return { ...event, became }
}

function apply(state: Running, event: Call): JobState {
  const { run } = state
  const { act, became, at } = event
  const { point } = event.seen
  if (!became || !currentStage(run)) return state
  const lookDue = run.lookDue || became.look === true
  const shut = act === 'close' ? withShut(state.standing, point) : state.standing
  const now = shut === state.standing ? state : { ...state, standing: shut }
  const { unseenMl } = became
  const next =
    unseenMl === undefined
      ? copyOfRun(run)
      : withUnseenPull(state, run, point, { ml: unseenMl, hose: event.hose })
  next.call = became.to
  next.lookDue = lookDue
  next.callAt = became.to === 'rest' && !lookOwed(next) ? undefined : point
  if (became.waits) next.timers = { ...run.timers, [CALL_TIMER]: at }
  next.openedAt = became.open ? (run.openedAt ?? at) : undefined
  // Where other bottles run, the joint in hand is closed and the call goes on at the next: once its own is written down.
  if (act === 'close' && (run.hung ?? []).length > 0) return withRun(now, lookDue ? next : nextBottle(next))
  if (became.settled)
    return changePoint(now, point, (progress) => ({ ...progress, settled: true, cleanStreak: 0 }), next)
  const after = withRun(now, next)
  const aired = became.air ? withAirAt(after, event, point, became.air) : after
  return goBack(aired)
}

/** Version 1 left it to the table of its day what an act made of the call. */
const withBecame: Upcast = (old, before) => {
  const event = old as Call
  const stageRun = before?.run && currentStage(before.run)
  if (!before || !isRunning(before) || !stageRun) return old
  const became = becameInV1(callOf(stageRun.stage).kind, before.run.call, event.act)
  if (!became) return old
  const { air, ...rest } = became
  return {
    ...event,
    became: {
      ...rest,
      ...(air && { air: allOfItAgain(airReaches(before, event.seen.point, slipOf(event.act))) }),
    },
  }
}

/** Until version 3 every pull was looked at before the next. */
const eachLookedAt: Upcast = (old) => old

/** One act of the call between wheel and cab. */
export const call: EventKind<Call> = {
  type: 'call',
  schema: callSchema,
  version: 3,
  upcasts: [withBecame, eachLookedAt],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  movesFluid: true,
  wentWrong: ({ act }) => isMishap(act),
  refuse: refuseOnRun(refuse),
  complete,
  apply: onRun(apply),
}
