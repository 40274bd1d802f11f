import { z } from 'zod'
import { fact } from '../../base/decision'
import { bubbleKinds, colours } from '../../fluid/specs/colour'
import type { Stage } from '../../plan/answer'
import { stageTraits } from '../../plan/stage-kinds'
import { pullMl } from '../../technique/strokes'
import { goBack } from '../advance'
import { nextBottle } from '../bottles'
import { othersPass, withOthersPassed } from '../bottles-pass'
import { copyOfPoint, copyOfRun, withRun } from '../copies'
import { frontAfter } from '../front'
import { baresPorts, takeFrom, withLevelsUnknown } from '../levels'
import { lookOffered, lookSpeaksFor, timeFlow } from '../looks'
import { placeNow } from '../place'
import {
  callOf,
  currentPoint,
  currentStage,
  freshPoint,
  isFed,
  looksAfterPull,
  placeUnderWork,
  pointOf,
  reservoirOfPoint,
  sourceOf,
} from '../points'
import { worthPulls } from '../runs-on'
import { looksNew } from '../selectors'
import type { JobState, StageRunState } from '../state'
import { addTally } from '../tally'
import { type EventKind, isRunning, onRun, type Running, refuseOnRun, type Upcast } from './kind'
import { ml, short, stamp } from './stamp'

const LOOKS_KEPT = 6

export const pullSeenSchema = z.object({
  ...stamp,
  type: z.literal('pull-seen'),
  ml,
  colour: z.enum(colours),
  bubbles: z.enum(bubbleKinds),
  /** How many pulls it speaks for, where it is more than one: all since the last look. */
  pulls: z.number().int().min(2).max(1000).optional(),
  /** By count it left a port of the reservoir bare: its level is looked at before anything else. */
  bare: z.literal(true).optional(),
  /** Next to nothing moved. */
  still: z.literal(true).optional(),
  /** What bottles that run elsewhere are taken to have passed meanwhile, by bleeder. Worked out. */
  others: z.record(short, ml).optional(),
  /** The amount is that of the scale under the bottle. */
  weighed: z.literal(true).optional(),
  /** Whether it counted as clean when it was seen, and for how many pulls in a row, where it is more than one. */
  clean: z.boolean().optional(),
  cleanPulls: z.number().int().min(2).max(1000).optional(),
})
type PullSeen = z.output<typeof pullSeenSchema>

function refuse(state: Running) {
  const here = placeNow(state)
  if ('refusal' in here) return here.refusal
  const { run } = state
  if (lookOffered(run)) return undefined
  if (run.lookDue) return fact('pedal-still-down')
  const runs = run.call === 'open' && !looksAfterPull(here.stageRun.stage)
  return runs ? undefined : fact('nothing-to-see')
}

/** A pull that brings less than this share of what its chamber gives moved next to nothing. @source from memory */
const MOVED_SHARE = 0.25

/**
 * No bubbles, where colour tells anything the new fluid's own, and fluid that moved: what stands still shows nothing,
 * and finishes nothing. Where the reservoir keeps its old fluid, as in a search for air, what comes is old to the end.
 */
function isClean(state: Running, { stage }: StageRunState, point: string, event: PullSeen): boolean {
  const { looks } = callOf(stage)
  const renewed = state.run.stages.some((each) => stageTraits[each.stage.kind].bringsNew)
  const colourCounts = renewed && looks.colour && stageTraits[stage.kind].colourCounts
  if (event.bubbles !== 'none' || (colourCounts && !looksNew(state, event.colour))) return false
  return !looks.ml || moved(state, stage, point, sinceLookMl(state, event.ml))
}

/** What of it went down on the reservoir’s count already. */
const countedHere = ({ run }: Running, point: string): number => {
  const progress = currentStage(run)?.at[point]
  return (progress?.unseen?.ml ?? 0) + (progress?.countedMl ?? 0)
}

/** What came since the last look: what the scale told meanwhile is counted already, and was seen all the same. */
const sinceLookMl = ({ run }: Running, ml: number): number => ml + (placeUnderWork(run)?.weighedMl ?? 0)

/** Whether what came is more than next to nothing, for so many pulls. */
function moved(state: Running, stage: Stage, point: string, ml: number): boolean {
  const source = sourceOf(state.vehicle, point)
  const strokeMl = source === undefined ? undefined : pullMl(state.vehicle, source)
  const leastMl = looksAfterPull(stage) && strokeMl !== undefined ? MOVED_SHARE * strokeMl : 0
  return ml > 0 && ml >= leastMl * lookSpeaksFor(state).pulls
}

function complete(state: JobState, sent: PullSeen): PullSeen {
  // What a look says beyond what was seen is worked out here, whatever was sent.
  const { pulls: _pulls, cleanPulls: _clean, still: _still, bare: _bare, others: _others, ...event } = sent
  if (!isRunning(state)) return event
  const { run, vehicle } = state
  const stageRun = currentStage(run)
  const point = currentPoint(run)
  if (!stageRun || point === undefined) return event
  const { pulls, lastPulls } = lookSpeaksFor(state)
  const wasClean = (pointOf(stageRun, point)?.cleanStreak ?? 0) > 0
  const cleanPulls = looksAfterPull(stageRun.stage)
    ? lastPulls
    : worthPulls(state, point, sinceLookMl(state, event.ml), wasClean)
  const clean = isClean(state, stageRun, point, event)
  const still =
    callOf(stageRun.stage).looks.ml && !moved(state, stageRun.stage, point, sinceLookMl(state, event.ml))
  const others = run.call === 'open' ? othersPass(state, event.at) : {}
  const othersMl = Object.values(others).reduce((sum, each) => sum + each, 0)
  const bare =
    callOf(stageRun.stage).looks.ml &&
    !isFed(run, stageRun.stage) &&
    baresPorts({ vehicle, run }, point, event.ml - countedHere(state, point) + othersMl)
  return {
    ...event,
    clean,
    ...(pulls > 1 && { pulls }),
    ...(clean && cleanPulls > 1 && { cleanPulls }),
    ...(still && { still }),
    ...(bare && { bare }),
    ...(othersMl > 0 && { others }),
  }
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
  if (event.weighed) around.weighed = { times: run.weighed?.times ?? 0, ml: (run.weighed?.ml ?? 0) + ml }
  if (ml > 0) around.frontMl = frontAfter(state.vehicle, run.frontMl ?? {}, point, ml)
  const progress = stageRun.at[point] ?? freshPoint()
  const next = copyOfPoint(progress)
  // Pulls that were passed over are counted already; what they brought is known only now.
  const { unseen } = progress
  next.unseen = undefined
  next.weighedMl = undefined
  next.countedMl = undefined
  next.countedSeenMl = undefined
  if (run.call === 'open') {
    timeFlow(next, progress, run, { ml, at: event.at })
    around.openedAt = event.at
  }
  next.seenAt = event.at
  next.still = event.still ? (progress.still ?? 0) + 1 : undefined
  if (!event.still) next.flowLooked = undefined
  next.looks = [...(progress.looks ?? []), event.bubbles].slice(-LOOKS_KEPT)
  if (run.lookDue || !unseen) {
    next.pulls++
    next.counted++
  }
  const moreMl = ml - (unseen?.ml ?? 0)
  next.ml = Math.max(0, next.ml + moreMl)
  // Nothing more came until it was closed: that says nothing of what came before.
  const nothingMore =
    run.call === 'rest' &&
    sinceLookMl(state, ml) === 0 &&
    event.bubbles === 'none' &&
    !looksAfterPull(stageRun.stage)
  if (!nothingMore) next.cleanStreak = event.clean ? progress.cleanStreak + (event.cleanPulls ?? 1) : 0
  next.colour = event.colour
  next.firstColour = progress.firstColour ?? event.colour
  next.bubbles = event.bubbles
  // What a machine pushes through is what it pours in: its own tank keeps the reservoir full.
  const fed = isFed(run, stageRun.stage)
  if (fed && run.tankMl !== undefined) around.tankMl = Math.max(0, run.tankMl - ml)
  // By how much the count was wrong: as much of it as was counted before the level was seen shows there already.
  const { countedMl = 0, countedSeenMl = 0 } = progress
  const wrongMl = moreMl - countedMl
  const seenWrongMl = countedMl > 0 ? (wrongMl * countedSeenMl) / countedMl : 0
  const tally = addTally(
    stageRun.tally,
    fed ? { outMl: ml, inMl: ml } : { outMl: ml, unaccountedMl: -seenWrongMl },
  )
  const seen: StageRunState = { ...stageRun, at: { ...stageRun.at, [point]: next }, tally }
  around.stages = run.stages.map((each, i) => (i === run.stageIndex ? seen : each))
  const reservoir = fed ? undefined : reservoirOfPoint(state.vehicle, point)
  const left =
    event.bare && reservoir !== undefined
      ? withLevelsUnknown(around, [reservoir])
      : takeFrom(around, reservoir, wrongMl - seenWrongMl)
  const all = withOthersPassed(state, left, event.others ?? {}, event.at)
  const others = run.call === 'rest' && (run.hung ?? []).length > 0
  return others ? withRun(state, nextBottle(all)) : goBack(withRun(state, all))
}

/** What counted as clean in version 1: no bubbles, and but at a port or in the vice new colour. */
const withClean: Upcast = (old, before) => {
  const event = old as PullSeen
  const stageRun = before?.run && currentStage(before.run)
  if (!stageRun) return old
  const colourCounts = !['port-bleed', 'bench-bleed'].includes(stageRun.stage.kind)
  return { ...event, clean: event.bubbles === 'none' && (!colourCounts || event.colour === 'new') }
}

/** Until version 3 a look spoke for one pull. */
const ofOnePull: Upcast = (old) => old

/** What one pull, stroke or look at an open bleeder brought. */
export const pullSeen: EventKind<PullSeen> = {
  type: 'pull-seen',
  schema: pullSeenSchema,
  version: 3,
  upcasts: [withClean, ofOnePull],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  refuse: refuseOnRun(refuse),
  complete,
  apply: onRun(apply),
}
