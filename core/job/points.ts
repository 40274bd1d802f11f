import { type Fact, fact } from '../base/decision'
import { perObject } from '../base/memo'
import type { Stage } from '../plan/answer'
import { stageTraits } from '../plan/stage-kinds'
import { techniqueOf } from '../technique'
import { type CallAct, type CallMachine, jointOpen, letsBubblesRise } from '../technique/calls'
import { machineFed } from '../technique/calls/machine-fed'
import { ports } from '../technique/calls/ports'
import { brakeAcross } from '../vehicle/across'
import { type RoutedBleeder, reservoirIdOf, routedBleeders } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import type { EventOf, Unstamped } from './events'
import type { PointRun, RunState, StageRunState, Unseen } from './state'

/** Clean pulls in a row that end a bleeder, where the maker states none. @source common practice */
const CLEAN_PULLS = 3
export const freshPoint = (): PointRun => ({
  ready: false,
  finished: false,
  pulls: 0,
  counted: 0,
  ml: 0,
  cleanStreak: 0,
  airDrawn: 0,
})

/**
 * Air was drawn in at a point: clean pulls are wanted anew, and what may have been drawn in has to come out again. What
 * went through before that stays, and so does what a pull brings on average.
 *
 * @param drawnInMl the most that came back; left out, nobody knows, and all of it counts from nothing
 */
export function countAgain(progress: PointRun, drawnInMl = progress.ml): PointRun {
  const ml = Math.max(0, progress.ml - drawnInMl)
  const stays = progress.ml > 0 ? ml / progress.ml : 0
  return {
    ...progress,
    airDrawn: progress.airDrawn + 1,
    cleanStreak: 0,
    // Nothing was seen there since.
    bubbles: undefined,
    ml,
    counted: progress.counted * stays,
    ...(progress.unseen && { unseen: { ...progress.unseen, sinceAir: 0 } }),
  }
}

/** The call that leads a stage. */
export function callOf({ kind, technique }: Stage): CallMachine {
  if (technique !== undefined) return techniqueOf(technique).call
  return stageTraits[kind].worksAt === 'ports' ? ports : machineFed
}

const runsById = perObject(
  (vehicle: Vehicle) => new Map(routedBleeders(vehicle).map((each) => [each.bleeder.id, each])),
)

/** A bleeder with the run that feeds it; undefined for a port or a cylinder. */
export const routedBleederOf = (vehicle: Vehicle, point: string): RoutedBleeder | undefined =>
  runsById(vehicle).get(point)

/** The bleeder at the same place on the other wheel of the axle. */
export function otherSide(vehicle: Vehicle, point: string): string | undefined {
  const placed = routedBleederOf(vehicle, point)
  if (placed?.part.type !== 'wheel-brake') return undefined
  const index = placed.part.bleeders.findIndex(({ id }) => id === point)
  return brakeAcross(vehicle, placed.part)?.bleeders[index]?.id
}

/** Whether a vehicle has such a joint: a bleeder, or a port of a cylinder. Ids are compared, never looked up by name. */
export const isJoint = (vehicle: Vehicle, point: string): boolean =>
  routedBleederOf(vehicle, point) !== undefined ||
  partsOf(vehicle, 'master-cylinder').some(({ chambers }) => chambers.some(({ id }) => id === point))

/** What a person calls a point. */
export function pointFact(vehicle: Vehicle, point: string): Fact {
  if (routedBleederOf(vehicle, point)) return fact('bleeder', { id: point })
  const isPort = partsOf(vehicle, 'master-cylinder').some(({ chambers }) =>
    chambers.some(({ id }) => id === point),
  )
  return fact(isPort ? 'port' : 'cylinder', { id: point })
}

/** The chamber or pump whose fluid a point passes; undefined for a cylinder in the vice. */
export function sourceOf(vehicle: Vehicle, point: string): string | undefined {
  const placed = routedBleederOf(vehicle, point)
  if (placed?.route) return placed.route.sourceId
  const cylinder = partsOf(vehicle, 'master-cylinder').find(
    ({ id, chambers }) => id === placed?.part.id || chambers.some((chamber) => chamber.id === point),
  )
  return cylinder?.chambers.find(({ id }) => id === point)?.id ?? (placed && cylinder?.chambers[0]?.id)
}

/** The reservoir a point draws from; undefined for a cylinder in the vice. */
export function reservoirOfPoint(vehicle: Vehicle, point: string): string | undefined {
  const source = sourceOf(vehicle, point)
  return source === undefined ? undefined : reservoirIdOf(vehicle, source)
}

/** Whether what drives this stage keeps the reservoir full, so that pulls do not lower it. */
export const feedsReservoir = ({ technique }: Stage): boolean =>
  technique !== undefined && techniqueOf(technique).feedsReservoir === true

/** Whether the reservoir is kept full now: by the machine that drives this stage, or by a bottle that stands on it. */
export const isFed = ({ bottleOn }: Pick<RunState, 'bottleOn'>, stage: Stage): boolean =>
  bottleOn === true || feedsReservoir(stage)

/** Whether what came out is looked at after each pull or stroke, and not while the joint stands open. */
export function looksAfterPull(stage: Stage): boolean {
  const { withCab, looks } = callOf(stage)
  return withCab || looks.afterStroke === true
}

/** Whether somebody in the cab has a part in what is still to be done. */
export const cabAhead = ({ stages, stageIndex }: RunState): boolean =>
  stages.slice(stageIndex).some(({ stage }) => callOf(stage).withCab)

/** What is known of a place of a stage, by its own id and nothing that every object has. */
export const pointOf = ({ at }: StageRunState, id: string): PointRun | undefined =>
  Object.hasOwn(at, id) ? at[id] : undefined

export const currentStage = (run: RunState): StageRunState | undefined => run.stages[run.stageIndex]

/** The point whose turn it is: where the call is under way, else the first of the order that is not finished. */
export function currentPoint(run: RunState): string | undefined {
  if (run.callAt !== undefined) return run.callAt
  const stageRun = currentStage(run)
  return stageRun?.points.find((id) => !stageRun.at[id]?.finished)
}

/** What is known of the place under work; undefined where nothing is yet, or there is none. */
export function placeUnderWork(run: RunState): PointRun | undefined {
  const stageRun = currentStage(run)
  const point = currentPoint(run)
  return stageRun && point !== undefined ? pointOf(stageRun, point) : undefined
}

/** Pulls at the place under work that nobody has written down; undefined where there are none. */
export const unseenNow = (run: RunState): Unseen | undefined => placeUnderWork(run)?.unseen

/** Whether something came that is not written down: before it is, nothing but the next pull goes on. */
export const lookOwed = (run: RunState): boolean => run.lookDue || unseenNow(run) !== undefined

/** The point that is recorded open now. */
export function openPoint(run: RunState): string | undefined {
  const stageRun = currentStage(run)
  return stageRun && jointOpen(callOf(stageRun.stage), run.call) ? run.callAt : undefined
}

/** Every point that is recorded open now: the one under work, and bottles that run elsewhere. */
export function openPoints(run: RunState): string[] {
  const now = openPoint(run)
  return [...(now === undefined ? [] : [now]), ...(run.hung ?? []).map(({ point }) => point)]
}

export const cleanPullsWanted = (vehicle: Vehicle, { kind, technique }: Stage): number =>
  // The tool ends a wheel, and a base bleed follows: one look says whether it came clean.
  technique !== undefined && techniqueOf(technique).pulsesWheels
    ? 1
    : (stageTraits[kind].solidPulls ?? vehicle.makerSettings?.cleanPulls ?? CLEAN_PULLS)

export type PointWants = { done: boolean; wantsMl: number; wantsClean: number; wantsSettling: boolean }

/** Why a point is done, or what it still wants. */
export function pointWants(vehicle: Vehicle, { stage, at }: StageRunState, point: string): PointWants {
  const progress = at[point] ?? freshPoint()
  const wantsMl = progress.doubtful ? 0 : Math.max(0, (stage.mlByBleeder?.[point] ?? 0) - progress.ml)
  const wantsClean = Math.max(0, cleanPullsWanted(vehicle, stage) - progress.cleanStreak)
  const wantsSettling = letsBubblesRise(callOf(stage)) && progress.settled !== true
  return {
    done: wantsMl <= 0 && wantsClean === 0 && !wantsSettling,
    wantsMl,
    wantsClean,
    wantsSettling,
  }
}

/** A call as a screen makes it: with what that screen saw, so that it is refused where another has gone on since. */
export function callNow(run: RunState, act: CallAct, turn?: number): Unstamped<EventOf<'call'>> {
  const point = currentPoint(run) ?? ''
  const pulls = currentStage(run)?.at[point]?.pulls ?? 0
  return { type: 'call', act, seen: { point, call: run.call, pulls, ...(turn !== undefined && { turn }) } }
}
