import { secondsBetween } from '../base/day'
import { RESTRICTED_SHARE } from '../physics/hydraulics/restriction'
import { callMove } from '../technique/calls'
import { copyOfPoint, copyOfRun, withRun } from './copies'
import type { FloorEvent, Unstamped } from './events'
import type { Running } from './events/kind'
import { frontAfter } from './front'
import { baresPorts, takeFrom, usualPullMl, withLevelsUnknown } from './levels'
import { timeFlow } from './looks'
import {
  callNow,
  callOf,
  currentPoint,
  currentStage,
  freshPoint,
  isFed,
  looksAfterPull,
  openPoint,
  reservoirOfPoint,
  unseenNow,
} from './points'
import type { JobState } from './state'
import { addTally } from './tally'

/** So often the scale wrote something down in this bleed, and what came by it, looks among that. */
export type Weighed = { times: number; ml: number }

/** What the scale under the bottle says now. */
export type OnScale = {
  /** What came since it was written down last, mL. */
  ml: number
  /** It stands still: that is what came, no guess. */
  isStill: boolean
  /** Fluid has begun to come. */
  begins: boolean
}

/** Whether a weight can be written down now: several bottles on one scale tell nothing of any. */
export function weighable({ run }: Running): boolean {
  const stageRun = currentStage(run)
  if (!stageRun || !callOf(stageRun.stage).looks.ml || (run.hung ?? []).length > 0) return false
  if (!looksAfterPull(stageRun.stage)) return run.call === 'open'
  return openPoint(run) === undefined && unseenNow(run) !== undefined
}

/** What came is counted as it was weighed, and what was taken to have come by count is given up. */
export function weighBottle(
  state: Running,
  { ml, at, bare, short }: { ml: number; at: string; bare?: true; short?: true },
): JobState {
  const { run, vehicle } = state
  const stageRun = currentStage(run)
  const point = currentPoint(run)
  if (!stageRun || point === undefined) return state
  const progress = stageRun.at[point] ?? freshPoint()
  const moreMl = ml - (progress.unseen?.ml ?? 0)
  const next = copyOfPoint(progress)
  next.ml = Math.max(0, progress.ml + moreMl)
  next.weighedMl = (progress.weighedMl ?? 0) + ml
  if (progress.unseen) {
    next.unseen = { ...progress.unseen, ml: 0, weighed: progress.unseen.pulls, ...(short && { short }) }
  }
  const around = copyOfRun(run)
  if (run.call === 'open') {
    timeFlow(next, progress, run, { ml, at })
    around.openedAt = at
  }
  around.bottleMl = run.bottleMl + ml
  around.weighed = { times: (run.weighed?.times ?? 0) + 1, ml: (run.weighed?.ml ?? 0) + ml }
  if (ml > 0) around.frontMl = frontAfter(vehicle, run.frontMl ?? {}, point, ml)
  const fed = isFed(run, stageRun.stage)
  if (fed && run.tankMl !== undefined) around.tankMl = Math.max(0, run.tankMl - ml)
  const tally = addTally(stageRun.tally, fed ? { outMl: ml, inMl: ml } : { outMl: ml })
  const seen = { ...stageRun, at: { ...stageRun.at, [point]: next }, tally }
  around.stages = run.stages.map((each, i) => (i === run.stageIndex ? seen : each))
  const reservoir = reservoirOfPoint(vehicle, point)
  if (fed || reservoir === undefined) return withRun(state, around)
  return withRun(state, bare ? withLevelsUnknown(around, [reservoir]) : takeFrom(around, reservoir, moreMl))
}

/** Whether by so much a port of the reservoir would be bare: whether it is, somebody looks. */
export function weighsBare({ vehicle, run }: Running, ml: number): boolean {
  const stageRun = currentStage(run)
  const point = currentPoint(run)
  if (!stageRun || point === undefined || isFed(run, stageRun.stage)) return false
  return baresPorts({ vehicle, run }, point, ml - (unseenNow(run)?.ml ?? 0))
}

/** Whether it is much less than the pulls since the last weight should have brought. */
export function weighsShort({ vehicle, run }: Running, ml: number): boolean {
  const point = currentPoint(run)
  const unseen = unseenNow(run)
  if (point === undefined || !unseen) return false
  return ml < RESTRICTED_SHARE * usualPullMl(vehicle, point) * (unseen.pulls - (unseen.weighed ?? 0))
}

/** At an open bleeder a weight is written down so often: near enough to see a slow one, seldom enough to read the log. @source from memory */
const EVERY_S = 15
const EVERY_ML = 20

/** Whether fluid may run into the bottle now: the joint is open, or may be opened at any moment. */
export function mayFlow({ run }: Pick<JobState, 'run'>): boolean {
  if (!run) return false
  return openPoint(run) !== undefined || opensNext({ run })
}

/** Whether opening the joint is what comes next, at a place that is ready for it. */
export function opensNext({ run }: Pick<JobState, 'run'>): boolean {
  const stageRun = run && currentStage(run)
  const point = run && currentPoint(run)
  if (!stageRun || point === undefined || stageRun.at[point]?.ready !== true) return false
  const move = callMove(callOf(stageRun.stage), run.call, 'open')
  // Where the pedal is pressed only later nothing comes of itself: what the scale feels is something else.
  const comes = looksAfterPull(stageRun.stage) ? run.call === 'holding' : true
  return move !== undefined && comes
}

/**
 * What the scale writes down by itself: that the bleeder is open, once fluid comes, and what came. It never closes
 * anything, and a joint that it takes for open is closed by hand: a hose that leaned on the bottle costs nothing else.
 *
 * @returns undefined where nothing is to be written down
 */
export function scaleAct(
  state: JobState,
  { ml, isStill, begins }: OnScale,
  now: string,
): Unstamped<FloorEvent> | undefined {
  const { run } = state
  const stageRun = run && currentStage(run)
  if (!run || !stageRun || state.parked || state.filed || state.standing.open.length > 0) return undefined
  if (begins && opensNext({ run })) return callNow(run, 'open', state.callTurn ?? 0)
  if (!weighable({ ...state, run })) return undefined
  const weighed = { type: 'bottle-weighed', ml, weighings: run.weighed?.times ?? 0 } as const
  if (looksAfterPull(stageRun.stage)) {
    const { pulls = 0, weighed: pullsWeighed = 0 } = unseenNow(run) ?? {}
    return isStill && pulls > pullsWeighed ? weighed : undefined
  }
  const ranS = run.openedAt === undefined ? 0 : secondsBetween(run.openedAt, now)
  return ml >= EVERY_ML || ranS >= EVERY_S ? weighed : undefined
}
