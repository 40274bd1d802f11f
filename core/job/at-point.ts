import { secondsBetween } from '../base/day'
import type { Notice } from '../base/decision'
import { type CallMove, callMove, callStep } from '../technique/calls'
import { nextBottle } from './bottles'
import { doubt } from './change'
import { copyOfPoint, copyOfRun, withRun } from './copies'
import type { EventOf } from './events'
import { frontAfter } from './front'
import { counted, pourFirst, taken } from './levels'
import {
  bleederRunOf,
  callKindOf,
  callOf,
  countAgain,
  currentPoint,
  currentStage,
  freshPoint,
  machineFeeds,
  pointWants,
  reservoirOfPoint,
} from './points'
import type { PointRun, RunState, StageRunState } from './state'
import { currentStep } from './steps'
import { CALL_TIMER } from './timers'
import type { Running } from './troubles/trouble'

/** Longer between two looks at an open bleeder is no measurement. @source from memory */
const LONGEST_LOOK_S = 1800
const LOOKS_KEPT = 6

type AtPoint = EventOf<'point-ready' | 'call' | 'pull-seen' | 'point-finished'>
type Next = { state: Running } | { refusal: Notice }

const no = (code: string, text: string): Next => ({ refusal: { code, text } })

/** What an act at a bleeder, a port or the bench makes of the run. */
export function atPoint(state: Running, event: AtPoint): Next {
  const { run } = state
  const stageRun = currentStage(run)
  const point = currentPoint(run)
  if (!stageRun || stageRun.stage.kind === 'prove') return no('bleed-finished', 'The bleed is finished.')
  if (currentStep(state) || point === undefined) return no('step-first', 'There is a step to do first.')
  const here: Here = { state, stageRun, point, progress: stageRun.at[point] ?? freshPoint() }
  switch (event.type) {
    case 'point-ready':
      if (event.point !== point) return no('other-point', `The order says ${point} now.`)
      if (run.call !== 'rest') return no('call-under-way', 'A call is under way.')
      return { state: withPoint(here, { ...here.progress, ready: true, trouble: undefined }) }
    case 'point-finished':
      return finished(here, event)
    case 'call':
      return called(here, event)
    case 'pull-seen':
      return seen(here, event)
  }
}

type Here = { state: Running; stageRun: StageRunState; point: string; progress: PointRun }

/** The job with this point, and the run around it, as they are now. Most acts leave the point as it was. */
function withPoint({ state, stageRun, point, progress }: Here, next: PointRun, run = state.run): Running {
  if (next === progress) return withRun(state, run)
  const changed = { ...stageRun, at: { ...stageRun.at, [point]: next } }
  const stages = run.stages.map((each, i) => (i === run.stageIndex ? changed : each))
  const around = copyOfRun(run)
  around.stages = stages
  return withRun(state, around)
}

function finished(here: Here, event: EventOf<'point-finished'>): Next {
  const { state, stageRun, point, progress } = here
  const { run } = state
  if (event.point !== point) return no('other-point', `The order says ${point} now.`)
  if (!progress.ready) return no('point-not-ready', 'Spanner and hose first.')
  if (run.call !== 'rest' || run.lookDue)
    return no('call-under-way', 'Close it and write down what came first.')
  const wants = pointWants(state.vehicle, stageRun, point)
  if (!wants.done)
    return no(
      'point-not-done',
      `It still wants ${Math.ceil(wants.wantsMl)} mL and ${wants.wantsClean} clean${wants.wantsSettling ? ', and time for fine bubbles to rise' : ''}.`,
    )
  return { state: withPoint(here, { ...progress, finished: true, doubtful: undefined }) }
}

function called(here: Here, event: EventOf<'call'>): Next {
  const { act, seen: saw } = event
  const { state, stageRun, point, progress } = here
  const { run, vehicle } = state
  // Once begun a call is brought to its end, also where something broke and this point must be prepared anew.
  if (run.call === 'rest' && !progress.ready) return no('point-not-ready', 'Spanner and hose first.')
  const otherCall = saw.turn !== undefined && saw.turn !== (state.callTurn ?? 0)
  if (otherCall || saw.point !== point || saw.call !== run.call || saw.pulls !== progress.pulls)
    return no('gone-on', 'Another screen has gone on since: look where the two of you are now.')
  const move = callMove(callKindOf(stageRun.stage), run.call, act)
  if (!move) return no('act-not-now', 'That call does not follow from where the two of you are.')
  if (run.call === 'rest') {
    if (run.lookDue) return no('look-due', 'Write down what the hose showed first.')
    const pour = pourFirst({ vehicle, run })
    if (pour && stageRun.stage.kind !== 'bench-bleed') return { refusal: pour }
  }
  const lookDue = run.lookDue || move.lookAfter === true
  const callAt = move.to === 'rest' && !lookDue ? undefined : point
  const waits = callStep(callKindOf(stageRun.stage), move.to)?.waitS !== undefined
  const timers = waits ? { ...run.timers, [CALL_TIMER]: event.at } : run.timers
  const next = copyOfRun(run)
  next.call = move.to
  next.lookDue = lookDue
  next.callAt = callAt
  next.timers = timers
  const opens = callStep(callKindOf(stageRun.stage), move.to)?.open ?? false
  next.openedAt = opens ? (run.openedAt ?? event.at) : undefined
  // Where other bottles run, the joint in hand is closed and the call goes on at the next.
  if (move.act === 'close' && (run.hung ?? []).length > 0)
    return { state: withPoint(here, progress, nextBottle(next)) }
  if (move.settled) return { state: withPoint(here, { ...progress, settled: true, cleanStreak: 0 }, next) }
  return { state: move.airDrawn ? airDrawn(here, event, move, next) : withPoint(here, progress, next) }
}

/** The pedal rose, or the hose came off, with the joint open: this count starts again, and what lies upstream is doubtful. */
function airDrawn(here: Here, event: EventOf<'call'>, move: CallMove, next: RunState): Running {
  const { state, stageRun, point, progress } = here
  const { vehicle } = state
  const counted = withPoint(here, countAgain(progress), next)
  const placed = bleederRunOf(vehicle, point)
  const passed = new Set([placed?.part.id, ...(placed?.run?.lines.map(({ from }) => from) ?? [])])
  const doubtful = stageRun.points.filter(
    (id) => id !== point && stageRun.at[id]?.finished && passed.has(bleederRunOf(vehicle, id)?.part.id),
  )
  const pedal = callOf(stageRun.stage).withCab
  const upstream =
    doubtful.length > 0
      ? `Doubtful upstream: ${doubtful.join(', ')}; clean pulls are wanted there again.`
      : pedal
        ? 'Upstream the cylinder may have drawn some too: watch the first pulls.'
        : 'Nothing upstream was finished.'
  const report = {
    eventId: event.id,
    at: event.at,
    by: event.by,
    what: 'air-drawn',
    text: `${move.confirms(point)}: air drawn in at ${point}, its count starts again. ${upstream}`,
    startAgain: [point],
    doubtful,
    stillValid: Object.keys(stageRun.at).filter((id) => stageRun.at[id]?.finished && !doubtful.includes(id)),
  }
  return {
    ...counted,
    run: doubtful.length > 0 ? doubt(counted.run, doubtful) : counted.run,
    troubles: [...counted.troubles, report],
  }
}

function seen(here: Here, event: EventOf<'pull-seen'>): Next {
  const { state, stageRun, point, progress } = here
  const { run } = state
  const { withCab, kind, looks } = callOf(stageRun.stage)
  const pulled = withCab || kind === 'bench'
  if (pulled ? !run.lookDue : run.call !== 'open')
    return no('nothing-to-see', 'There is no pull to write down now.')
  if (pulled && run.call !== 'rest')
    return no('call-under-way', 'Bring the call to its end first: the pedal is still down.')
  const colourCounts = looks.colour && stageRun.stage.kind !== 'port-bleed'
  const clean = event.bubbles === 'none' && (!colourCounts || event.colour === 'new')
  const ml = looks.ml ? event.ml : 0
  const around = copyOfRun(run)
  around.lookDue = false
  around.callAt = run.call === 'rest' ? undefined : point
  around.bottleMl = run.bottleMl + ml
  if (ml > 0) around.frontMl = frontAfter(state.vehicle, run.frontMl ?? {}, point, ml)
  const next = copyOfPoint(progress)
  if (run.call === 'open' && run.openedAt !== undefined) {
    const seconds = secondsBetween(run.openedAt, event.at)
    // A clock that was set back, or a look that was forgotten for an hour, says nothing of a flow.
    if (seconds > 0 && seconds < LONGEST_LOOK_S) {
      next.timedMl = (progress.timedMl ?? 0) + ml
      next.timedS = (progress.timedS ?? 0) + seconds
    }
    around.openedAt = event.at
  }
  next.seenAt = event.at
  next.looks = [...(progress.looks ?? []), event.bubbles].slice(-LOOKS_KEPT)
  next.pulls++
  next.counted++
  next.ml += ml
  next.cleanStreak = clean ? progress.cleanStreak + 1 : 0
  next.colour = event.colour
  next.bubbles = event.bubbles
  // What a machine pushes through is what it pours in: its own tank keeps the reservoir full.
  const fed = machineFeeds(stageRun.stage)
  if (fed && run.tankMl !== undefined) around.tankMl = Math.max(0, run.tankMl - ml)
  const looked = withPoint(here, next, around)
  const after = counted(looked.run, fed ? { outMl: ml, inMl: ml } : { outMl: ml })
  const reservoir = fed ? undefined : reservoirOfPoint(state.vehicle, point)
  return { state: withRun(looked, taken(after, reservoir, ml)) }
}
