import { z } from 'zod'
import { secondsBetween } from '../../base/day'
import { fact } from '../../base/decision'
import { bubbleKinds, colours } from '../../fluid/specs/colour'
import { stageTraits } from '../../plan/stage-kinds'
import { pullMl } from '../../technique/strokes'
import { goneBack } from '../advance'
import { nextBottle } from '../bottles'
import { copyOfPoint, copyOfRun, withRun } from '../copies'
import { frontAfter } from '../front'
import { baresPorts, takenFrom, withLevelsUnknown } from '../levels'
import { placeNow } from '../place'
import {
  callOf,
  currentPoint,
  currentStage,
  freshPoint,
  isFed,
  looksAfterPull,
  reservoirOfPoint,
  sourceOf,
} from '../points'
import { looksNew } from '../selectors'
import type { JobState, PointRun, RunState, StageRunState } from '../state'
import { addTally } from '../tally'
import { type EventKind, onRun, type Running, refuseOnRun, type Upcast } from './kind'
import { ml, stamp } from './stamp'

/** Longer between two looks at an open bleeder is no measurement. @source from memory */
const LONGEST_LOOK_S = 1800
const LOOKS_KEPT = 6

export const pullSeenSchema = z.object({
  ...stamp,
  type: z.literal('pull-seen'),
  ml,
  colour: z.enum(colours),
  bubbles: z.enum(bubbleKinds),
  /** Whether it counted as clean when it was seen. */
  /** By count it left a port of the reservoir bare: its level is looked at before anything else. */
  bare: z.literal(true).optional(),
  clean: z.boolean().optional(),
})
type PullSeen = z.output<typeof pullSeenSchema>

function refuse(state: Running) {
  const here = placeNow(state)
  if ('refusal' in here) return here.refusal
  const { run } = state
  if (run.lookDue) return run.call === 'rest' ? undefined : fact('pedal-still-down')
  const runs = run.call === 'open' && !looksAfterPull(here.stageRun.stage)
  return runs ? undefined : fact('nothing-to-see')
}

/** A pull that brings less than this share of what its chamber gives moved next to nothing. @source from memory */
const MOVED_SHARE = 0.25

/**
 * No bubbles, where colour tells anything the new fluid's own, and fluid that moved: what stands still shows nothing,
 * and finishes nothing.
 */
function isClean(state: JobState, { stage }: StageRunState, point: string, event: PullSeen): boolean {
  const { vehicle } = state
  const { looks } = callOf(stage)
  const colourCounts = looks.colour && stageTraits[stage.kind].colourCounts
  if (event.bubbles !== 'none' || (colourCounts && !looksNew(state, event.colour))) return false
  if (!looks.ml) return true
  const source = sourceOf(vehicle, point)
  const strokeMl = source === undefined ? undefined : pullMl(vehicle, source)
  const leastMl = looksAfterPull(stage) && strokeMl !== undefined ? MOVED_SHARE * strokeMl : 0
  return event.ml > 0 && event.ml >= leastMl
}

function complete(state: JobState, event: PullSeen): PullSeen {
  const { run, vehicle } = state
  const stageRun = run && currentStage(run)
  const point = run && currentPoint(run)
  if (!stageRun || point === undefined) return event
  const bare =
    callOf(stageRun.stage).looks.ml &&
    !isFed(run, stageRun.stage) &&
    baresPorts({ vehicle, run }, point, event.ml)
  return { ...event, clean: isClean(state, stageRun, point, event), ...(bare && { bare }) }
}

/** What came since it was opened or looked at last, in the company it ran in; another company is timed anew. */
function timeFlow(next: PointRun, progress: PointRun, run: RunState, { ml, at }: { ml: number; at: string }) {
  if (run.openedAt === undefined) return
  const seconds = secondsBetween(run.openedAt, at)
  // A clock that was set back, or a look that was forgotten for an hour, says nothing of a flow.
  if (!(seconds > 0 && seconds < LONGEST_LOOK_S)) return
  const company = (run.hung ?? []).map(({ point }) => point).sort()
  const same = (progress.timedWith ?? []).join('\n') === company.join('\n')
  next.timedMl = (same ? (progress.timedMl ?? 0) : 0) + ml
  next.timedS = (same ? (progress.timedS ?? 0) : 0) + seconds
  next.timedWith = company.length > 0 ? company : undefined
}

function apply(state: Running, event: PullSeen): JobState {
  const { run } = state
  const stageRun = currentStage(run)
  const point = currentPoint(run)
  if (!stageRun || point === undefined) return state
  const ml = callOf(stageRun.stage).looks.ml ? event.ml : 0
  const around = copyOfRun(run)
  around.lookDue = false
  around.callAt = run.call === 'rest' ? undefined : point
  around.bottleMl = run.bottleMl + ml
  if (ml > 0) around.frontMl = frontAfter(state.vehicle, run.frontMl ?? {}, point, ml)
  const progress = stageRun.at[point] ?? freshPoint()
  const next = copyOfPoint(progress)
  if (run.call === 'open') {
    timeFlow(next, progress, run, { ml, at: event.at })
    around.openedAt = event.at
  }
  next.seenAt = event.at
  next.looks = [...(progress.looks ?? []), event.bubbles].slice(-LOOKS_KEPT)
  next.pulls++
  next.counted++
  next.ml += ml
  // Nothing more came until it was closed: that says nothing of what came before.
  const nothingMore =
    run.call === 'rest' && ml === 0 && event.bubbles === 'none' && !looksAfterPull(stageRun.stage)
  if (!nothingMore) next.cleanStreak = event.clean ? progress.cleanStreak + 1 : 0
  next.colour = event.colour
  next.bubbles = event.bubbles
  // What a machine pushes through is what it pours in: its own tank keeps the reservoir full.
  const fed = isFed(run, stageRun.stage)
  if (fed && run.tankMl !== undefined) around.tankMl = Math.max(0, run.tankMl - ml)
  const tally = addTally(stageRun.tally, fed ? { outMl: ml, inMl: ml } : { outMl: ml })
  const seen: StageRunState = { ...stageRun, at: { ...stageRun.at, [point]: next }, tally }
  around.stages = run.stages.map((each, i) => (i === run.stageIndex ? seen : each))
  const reservoir = fed ? undefined : reservoirOfPoint(state.vehicle, point)
  const left =
    event.bare && reservoir !== undefined
      ? withLevelsUnknown(around, [reservoir])
      : takenFrom(around, reservoir, ml)
  const others = run.call === 'rest' && (run.hung ?? []).length > 0
  return others ? withRun(state, nextBottle(left)) : goneBack(withRun(state, left))
}

/** What counted as clean in version 1: no bubbles, and but at a port or in the vice new colour. */
const withClean: Upcast = (old, before) => {
  const event = old as PullSeen
  const stageRun = before?.run && currentStage(before.run)
  if (!stageRun) return old
  const colourCounts = !['port-bleed', 'bench-bleed'].includes(stageRun.stage.kind)
  return { ...event, clean: event.bubbles === 'none' && (!colourCounts || event.colour === 'new') }
}

/** What one pull, stroke or look at an open bleeder brought. */
export const pullSeen: EventKind<PullSeen> = {
  type: 'pull-seen',
  schema: pullSeenSchema,
  version: 2,
  upcasts: [withClean],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  refuse: refuseOnRun(refuse),
  complete,
  apply: onRun(apply),
}
