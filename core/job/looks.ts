import { secondsBetween } from '../base/day'
import { fact, type Notice } from '../base/decision'
import type { Colour } from '../fluid/specs/colour'
import { RESTRICTED_SHARE } from '../physics/hydraulics/restriction'
import { callMove } from '../technique/calls'
import type { Vehicle } from '../vehicle/schema'
import { copyOfPoint, copyOfRun } from './copies'
import type { Running } from './events/kind'
import { fullStrokeMl, mostTakenMl, perPullMl, pourSoon, takeFrom, usualPullMl, watchAt } from './levels'
import {
  callOf,
  cleanPullsWanted,
  currentStage,
  freshPoint,
  isFed,
  openPoint,
  otherSide,
  placeUnderWork,
  pointOf,
  reservoirOfPoint,
  unseenNow,
} from './points'
import type { JobState, PointRun, RunState, StageRunState } from './state'
import { stepAtRest } from './steps'

/** What the hose showed as the joint was closed, as whoever closed it says. */
export const hoseSaid = ['clear', 'bubbles'] as const
export type HoseSaid = (typeof hoseSaid)[number]

/** So many pulls one look may speak for: of more, nobody tells what each of them showed. @source from memory */
const MOST_PULLS = 6
/** Where it was said of each that its hose was clear, so many: of more, nobody reads what they brought off one mark. @source from memory */
const MOST_SAID_CLEAR = 18
/** The next pull may bring so many times what the ones before brought, where that is more than its chamber holds. @source from memory */
const PULL_VARIES = 1.35

/**
 * Whether the bubbles are those of the first look: what stood in the line comes with them, and what is planned runs through
 * whatever they do. Froth is another thing: there somebody slows down; and after air was drawn in nobody has seen any.
 * @source common practice
 */
export const bringsItsAir = ({ looks = [], bubbles, still }: PointRun): boolean =>
  looks.length === 1 && (bubbles === 'string' || bubbles === 'slug') && still === undefined

/**
 * What the pull that ends now is taken to have brought, where looking at it can decide nothing: the last look showed
 * fluid that moved and no bubbles, or whoever closed says that they ended, the place wants more than this pull, and the reservoir stands well above MIN. What
 * came is written down at the next look, for all pulls since the last one.
 *
 * @param hose what was said of it at closing; left out, nothing was
 * @returns mL by the count; undefined where it is looked at before the next pull
 */
export function unseenPullMl(state: Running, point: string, hose?: HoseSaid): number | undefined {
  const { run, vehicle } = state
  const stageRun = currentStage(run)
  const progress = stageRun && pointOf(stageRun, point)
  const targetMl = stageRun?.stage.mlByBleeder?.[point] ?? 0
  // Where no volume is wanted only what the hose shows tells when to end.
  if (!progress || targetMl <= 0 || progress.doubtful || hose === 'bubbles') return undefined
  // Bubbles are looked at until they end; those of the first look ended where whoever closed says so.
  const ended = progress.bubbles === 'none' || (hose === 'clear' && bringsItsAir(progress))
  if (!ended) return undefined
  if (run.mends.length > 0 || state.standing.open.length > 0) return undefined
  const ml = perPullMl(vehicle, stageRun, point)
  if (ml < RESTRICTED_SHARE * expectedPullMl(vehicle, stageRun, point)) return undefined
  const { pulls: before = 0, clear = 0 } = progress.unseen ?? {}
  const pulls = before + 1
  const most = hose === 'clear' && clear === before ? MOST_SAID_CLEAR : MOST_PULLS
  if (pulls >= most || nearMin(state, stageRun, point, ml)) return undefined
  const wantsClean = Math.max(1, cleanPullsWanted(vehicle, stageRun.stage) - progress.cleanStreak)
  return progress.ml + ml >= targetMl && pulls >= wantsClean ? undefined : ml
}

/** What a pull should bring: what the other wheel of the axle gave, or the chamber's stroke where that is more. */
function expectedPullMl(vehicle: Vehicle, stageRun: StageRunState, point: string): number {
  const usualMl = usualPullMl(vehicle, point)
  const other = otherSide(vehicle, point)
  const beside = other === undefined ? undefined : pointOf(stageRun, other)
  const besideMl = beside && beside.counted > 0 ? beside.ml / beside.counted : 0
  return Math.max(usualMl, besideMl)
}

/**
 * Whether a reservoir might be at MIN before the next look, if every pull since the last one brought as much as a pull
 * can: what came is written down before that.
 */
function nearMin({ vehicle, run }: Running, stageRun: StageRunState, point: string, ml: number): boolean {
  if (isFed(run, stageRun.stage)) return false
  const watch = watchAt({ vehicle, run }, point)
  if (watch?.aboveMinMl === undefined) return true
  const { pulls = 0, weighed = 0, ml: countedMl = 0 } = pointOf(stageRun, point)?.unseen ?? {}
  const fullMl = fullStrokeMl(vehicle, point) ?? 0
  const mostMl = ml <= fullMl ? (mostTakenMl(vehicle, point) ?? 0) : PULL_VARIES * ml
  return watch.aboveMinMl + countedMl < (pulls - weighed + 2) * mostMl
}

/** A pull that is written down with later ones: counted by what the ones before brought, until the bottle is looked at. */
export function withUnseenPull(
  { vehicle }: Running,
  run: RunState,
  point: string,
  { ml, hose }: { ml: number; hose?: HoseSaid },
): RunState {
  const around = copyOfRun(run)
  around.stages = run.stages.map((each, i) =>
    i === run.stageIndex
      ? { ...each, at: { ...each.at, [point]: countUnseen(each, point, ml, hose) } }
      : each,
  )
  const stageRun = currentStage(run)
  // What a bottle or a machine keeps full stands where it stood.
  const fed = stageRun !== undefined && isFed(run, stageRun.stage)
  return fed ? around : takeFrom(around, reservoirOfPoint(vehicle, point), ml)
}

function countUnseen(stageRun: StageRunState, point: string, ml: number, hose?: HoseSaid): PointRun {
  const next = copyOfPoint(pointOf(stageRun, point) ?? freshPoint())
  const { pulls = 0, sinceAir = 0, ml: countedMl = 0, clear = 0 } = next.unseen ?? {}
  next.unseen = {
    ...next.unseen,
    pulls: pulls + 1,
    sinceAir: sinceAir + 1,
    ml: countedMl + ml,
    ...(hose === 'clear' && { clear: clear + 1 }),
  }
  next.pulls++
  next.counted++
  next.ml += ml
  return next
}

/** Why a level or a bottle is not changed now: what was passed over is written down first, by the marks it stands at. */
export const pullsUnseen = ({ run }: Pick<JobState, 'run'>): Notice | undefined =>
  run && unseenNow(run) ? fact('look-due') : undefined

/** Whether what came is written down before anything else goes on at rest: also where something else came up meanwhile. */
export const lookFirst = (state: Running): boolean => {
  const { run, standing } = state
  if (run.call !== 'rest' || run.lookDue || !unseenNow(run)) return run.call === 'rest' && run.lookDue
  const { ready, unseen } = placeUnderWork(run) ?? {}
  if (unseen?.short) return true
  return (
    ready !== true ||
    stepAtRest(state) !== undefined ||
    standing.open.length > 0 ||
    pourSoon(state) !== undefined
  )
}

/** Whether whoever closes says what the hose shows: where its being clear spares the look. */
export function saysHose(state: Running): boolean {
  const { run } = state
  const stageRun = currentStage(run)
  const point = openPoint(run)
  if (!stageRun || point === undefined) return false
  const ends = callMove(callOf(stageRun.stage), run.call, 'close')?.lookAfter === true
  return ends && unseenPullMl(state, point, 'clear') !== undefined
}

/** Whether a look can be written down now: one that is due, or of pulls that were passed over, with the joint shut. */
export const lookOffered = (run: RunState): boolean =>
  run.lookDue ? run.call === 'rest' : unseenNow(run) !== undefined && openPoint(run) === undefined

/**
 * Pulls that a look speaks for: the bottle of all since the last one, the hose of the last few. It is remembered for as
 * many as end a place, and not past air that was drawn in.
 */
export function lookSpeaksFor({ run, vehicle }: Running): { pulls: number; lastPulls: number } {
  const { pulls = 0, sinceAir = 0 } = unseenNow(run) ?? {}
  const notCounted = run.lookDue || pulls === 0 ? 1 : 0
  const stageRun = currentStage(run)
  const most = stageRun ? cleanPullsWanted(vehicle, stageRun.stage) : 1
  return { pulls: pulls + notCounted, lastPulls: Math.min(most, sinceAir + notCounted) }
}

/**
 * The colour that the next look at a place most likely shows: its last one's, else what the place before it showed first,
 * which stood in its line as long, else what was found at check in. It is offered; whoever looks says what it is.
 */
export function colourToExpect(
  { vehicle, run, checkIn }: Pick<JobState, 'vehicle' | 'checkIn'> & { run: RunState },
  point: string,
): Colour | undefined {
  const stageRun = currentStage(run)
  const before = stageRun?.points.slice(0, stageRun.points.indexOf(point)) ?? []
  const alike = before.findLast(
    (each) =>
      stageRun?.at[each]?.firstColour !== undefined &&
      reservoirOfPoint(vehicle, each) === reservoirOfPoint(vehicle, point),
  )
  const own = stageRun?.at[point]?.colour
  return own ?? (alike === undefined ? undefined : stageRun?.at[alike]?.firstColour) ?? checkIn?.colour
}

/** Longer between two looks at an open bleeder is no measurement. @source from memory */
const LONGEST_LOOK_S = 1800

/** What came since it was opened or looked at last, in the company it ran in; another company is timed anew. */
export function timeFlow(
  next: PointRun,
  progress: PointRun,
  run: RunState,
  { ml, at }: { ml: number; at: string },
) {
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
