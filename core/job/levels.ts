import { fact, type Notice } from '../base/decision'
import type { Step } from '../technique/step'
import { mostPullMl, pullMl } from '../technique/strokes'
import { partsOf, reservoirFact } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { withBarePorts } from '../vehicle/usual-volumes'
import { copyOfRun } from './copies'
import {
  callOf,
  currentPoint,
  currentStage,
  freshPoint,
  isFed,
  lookOwed,
  looksAfterPull,
  otherSide,
  reservoirOfPoint,
  sourceOf,
} from './points'
import type { JobState, PointRun, RunState, StageRunState, Tally } from './state'
import { currentStep } from './steps'
import { addTally } from './tally'

/** A pull's volume where nothing is known of its chamber. @source from memory */
const USUAL_PULL_ML = 10

/** One reservoir with its fluid above MIN and the pulls that leaves. */
export type Watch = {
  reservoirId: string
  maxMl: number
  minMl: number
  perPullMl: number
  levelMl?: number
  aboveMinMl?: number
  pullsLeft?: number
  /** A full pull takes more than there is between the marks: even from MAX only short strokes keep it above MIN. */
  shortStrokes: boolean
}

/** What one pull at a point brings: as measured there, else on the other wheel of its axle, else as its chamber gives. */
export function perPullMl(vehicle: Vehicle, stageRun: StageRunState, point: string): number {
  const measured = ({ counted, ml }: PointRun = freshPoint()) =>
    counted > 0 && ml > 0 ? ml / counted : undefined
  // At a bleeder that stays open what was counted are looks, each of another length.
  const other = looksAfterPull(stageRun.stage) ? otherSide(vehicle, point) : undefined
  const beside = other === undefined ? undefined : measured(stageRun.at[other])
  return measured(stageRun.at[point]) ?? beside ?? usualPullMl(vehicle, point)
}

/** What a pull at a point usually brings, by its chamber. */
export function usualPullMl(vehicle: Vehicle, point: string): number {
  const source = sourceOf(vehicle, point)
  return (source === undefined ? undefined : pullMl(vehicle, source)) ?? USUAL_PULL_ML
}

/** The most that one pull at a point can bring; undefined where nothing is known of its chamber. */
export function fullStrokeMl(vehicle: Vehicle, point: string): number | undefined {
  const source = sourceOf(vehicle, point)
  return source === undefined ? undefined : mostPullMl(vehicle, source)
}

/** With the joint still open so much more runs on past the cups, mL. @source the rig, some two seconds after a whole stroke */
const RUNS_ON_ML = 1.5

/** The most that one pull at a point takes from its reservoir; undefined where nothing is known of its chamber. */
export function mostTakenMl(vehicle: Vehicle, point: string): number | undefined {
  const strokeMl = fullStrokeMl(vehicle, point)
  return strokeMl === undefined ? undefined : strokeMl + RUNS_ON_ML
}

/** Every reservoir that feeds this stage, the one drawn from now first. */
export function watchReservoirs({ vehicle, run }: Pick<JobState, 'vehicle' | 'run'>): Watch[] {
  const stageRun = run && currentStage(run)
  if (!run || !stageRun) return []
  const now = currentPoint(run)
  const pointOf = new Map<string, string>()
  for (const point of now === undefined ? stageRun.points : [now, ...stageRun.points]) {
    const id = reservoirOfPoint(vehicle, point)
    if (id !== undefined && !pointOf.has(id)) pointOf.set(id, point)
  }
  return [...pointOf].flatMap(([id, point]) => watchOf(vehicle, run, stageRun, id, point) ?? [])
}

/** The reservoir that a place of the stage under way draws from, as pulls there draw from it. */
export function watchAt(
  { vehicle, run }: Pick<JobState, 'vehicle' | 'run'>,
  point: string,
): Watch | undefined {
  const stageRun = run && currentStage(run)
  const id = reservoirOfPoint(vehicle, point)
  return stageRun && id !== undefined ? watchOf(vehicle, run, stageRun, id, point) : undefined
}

/** One reservoir as pulls at a point draw from it; undefined where the vehicle has no such reservoir. */
function watchOf(
  vehicle: Vehicle,
  run: RunState,
  stageRun: StageRunState,
  reservoirId: string,
  point: string,
): Watch | undefined {
  const reservoir = partsOf(vehicle, 'reservoir').find(({ id }) => id === reservoirId)
  if (!reservoir) return undefined
  const { maxMl, minMl } = reservoir
  const pullMl = perPullMl(vehicle, stageRun, point)
  const usableMl = maxMl - minMl
  const watch: Watch = {
    reservoirId,
    maxMl,
    minMl,
    perPullMl: Math.min(pullMl, usableMl),
    shortStrokes: pullMl > usableMl,
  }
  const levelMl = run.levelMl[reservoirId]
  if (levelMl === undefined) return watch
  watch.levelMl = levelMl
  watch.aboveMinMl = levelMl - minMl
  watch.pullsLeft = Math.max(0, Math.floor(watch.aboveMinMl / watch.perPullMl + 1e-9))
  return watch
}

/** What is still to go through this stage's points, mL. */
export const stillWantedMl = ({ stage, points, at }: StageRunState): number =>
  points.reduce((sum, id) => {
    const left = (stage.mlByBleeder?.[id] ?? 0) - (at[id]?.ml ?? 0)
    return at[id]?.finished ? sum : sum + Math.max(0, left)
  }, 0)

/** Why the next pull must wait for somebody to pour; undefined where it may come. */
export function pourFirst(
  { vehicle, run }: Pick<JobState, 'vehicle' | 'run'>,
  at?: string,
): Notice | undefined {
  const stageRun = run && currentStage(run)
  const point = at ?? (run && currentPoint(run))
  if (!run || !stageRun || point === undefined || isFed(run, stageRun.stage)) return undefined
  const watch = watchAt({ vehicle, run }, point)
  if (!watch) return undefined
  const name = () => ({ reservoir: reservoirFact(vehicle, watch.reservoirId) })
  if (watch.levelMl === undefined) return fact('level-unknown', name())
  if (portsBare(vehicle, run, watch.reservoirId)) return fact('ports-bare', name())
  // The next pull may be a whole stroke, whatever those before it brought.
  const mostMl = Math.min(mostTakenMl(vehicle, point) ?? 0, watch.maxMl - watch.minMl)
  return watch.pullsLeft === 0 || (watch.aboveMinMl ?? 0) < mostMl ? fact('top-up-due', name()) : undefined
}

/** With so many pulls left somebody who is at the reservoir's count anyway pours: later each pull is looked at. @source from memory */
const SOON_PULLS = 3

/** Why somebody pours now, or with the next few pulls; undefined where the reservoir stands well above MIN. */
export function pourSoon(state: Pick<JobState, 'vehicle' | 'run'>): Notice | undefined {
  const first = pourFirst(state)
  const { run, vehicle } = state
  const stageRun = run && currentStage(run)
  if (first || !run || !stageRun || isFed(run, stageRun.stage)) return first
  if (callOf(stageRun.stage).offVehicle || !looksAfterPull(stageRun.stage)) return undefined
  const point = currentPoint(run)
  const watch = point === undefined ? undefined : watchAt(state, point)
  if (watch?.pullsLeft === undefined || watch.pullsLeft > SOON_PULLS) return undefined
  // Where MIN and MAX lie so close together that a fill does not help, nobody is asked for one at every pull.
  const full = Math.floor((watch.maxMl - watch.minMl) / watch.perPullMl)
  return full > 2 * SOON_PULLS && stillWantedMl(stageRun) > SOON_PULLS * watch.perPullMl
    ? fact('top-up-soon', { reservoir: reservoirFact(vehicle, watch.reservoirId), pulls: watch.pullsLeft })
    : undefined
}

/**
 * Why somebody pours before a bleeder is begun that is left open: filled up now it has its volume with one fill less in its
 * midst, where it would have to be looked at, and waited for, with the bleeder running.
 */
export function pourBefore({ vehicle, run }: Pick<JobState, 'vehicle' | 'run'>): Notice | undefined {
  const stageRun = run && currentStage(run)
  const point = run && currentPoint(run)
  if (!run || !stageRun || point === undefined || run.call !== 'rest' || lookOwed(run)) return undefined
  const { stage } = stageRun
  if (isFed(run, stage) || callOf(stage).offVehicle || looksAfterPull(stage)) return undefined
  const { ready, ml = 0 } = stageRun.at[point] ?? {}
  const watch = watchAt({ vehicle, run }, point)
  if (ready || watch?.aboveMinMl === undefined || portsBare(vehicle, run, watch.reservoirId)) return undefined
  // One look before MIN: not the last drop is counted on.
  const roomMl = watch.maxMl - watch.minMl - watch.perPullMl
  const wantsMl = (stage.mlByBleeder?.[point] ?? 0) - ml
  const fillsFrom = (aboveMinMl: number) =>
    Math.max(0, Math.ceil((wantsMl - aboveMinMl + watch.perPullMl) / Math.max(1, roomMl)))
  return fillsFrom(watch.aboveMinMl) > fillsFrom(watch.maxMl - watch.minMl)
    ? fact('top-up-before', { reservoir: reservoirFact(vehicle, watch.reservoirId), wantsMl })
    : undefined
}

/** Closer than this share of what it holds nobody reads a level. @source from memory */
const READ_SHARE = 0.05

/** Reservoirs that by count do not stand at MAX, with what is missing, mL; below 0 what is too much. Unseen ones are asked elsewhere. */
export const notAtMax = ({
  vehicle,
  run,
}: Pick<JobState, 'vehicle' | 'run'>): { reservoir: string; missingMl: number }[] =>
  partsOf(vehicle, 'reservoir').flatMap(({ id, maxMl }) => {
    const levelMl = run?.levelMl[id]
    const missingMl = levelMl === undefined ? 0 : maxMl - levelMl
    return Math.abs(missingMl) > READ_SHARE * maxMl ? [{ reservoir: id, missingMl }] : []
  })

/** Every reservoir that a stage draws from; all of them where it is worked at no place. */
export function reservoirsOfStage(vehicle: Vehicle, { points }: StageRunState): string[] {
  const ids = new Set(
    points.flatMap((point) => reservoirOfPoint(vehicle, point) ?? reservoirsOfCylinder(vehicle, point)),
  )
  return partsOf(vehicle, 'reservoir')
    .map(({ id }) => id)
    .filter((id) => ids.size === 0 || ids.has(id))
}

/** Of a cylinder in the vice, which takes its reservoirs with it. */
const reservoirsOfCylinder = (vehicle: Vehicle, cylinderId: string): string[] =>
  partsOf(vehicle, 'master-cylinder')
    .filter(({ id }) => id === cylinderId)
    .flatMap(({ fedBy, chambers }) => [fedBy, ...chambers.flatMap((chamber) => chamber.fedBy ?? [])])

/** The run with these levels to be looked at again before anybody draws from them. */
export function withLevelsUnknown(run: RunState, reservoirIds: readonly string[]): RunState {
  const levelMl = Object.fromEntries(Object.entries(run.levelMl).filter(([id]) => !reservoirIds.includes(id)))
  return { ...run, levelMl }
}

/**
 * The reservoir that somebody has to look at before going on: what is drawn out of one counts from where it stood, and
 * a pull counts down from there.
 */
export function levelFirst(state: Pick<JobState, 'vehicle' | 'run' | 'standing'>): string | undefined {
  const { vehicle, run } = state
  const stageRun = run && currentStage(run)
  if (!run || !stageRun || !run.plateConfirmed) return undefined
  const now = currentStep({ run, standing: state.standing })
  if (now) return drawsUnseen(run, now.step) ? now.step.reservoir : undefined
  const point = currentPoint(run)
  if (point === undefined || run.call !== 'rest' || lookOwed(run) || isFed(run, stageRun.stage))
    return undefined
  if (callOf(stageRun.stage).offVehicle) return undefined
  const id = reservoirOfPoint(vehicle, point)
  return id !== undefined && run.levelMl[id] === undefined ? id : undefined
}

/** Whether a step draws a reservoir down to a mark from a level that nobody has seen. */
export const drawsUnseen = ({ levelMl }: RunState, { asksMl, drawsToMl = 0, reservoir }: Step): boolean =>
  asksMl === 'drawn' && drawsToMl > 0 && reservoir !== undefined && levelMl[reservoir] === undefined

/** Whether so little was seen in a reservoir that a port is bare: nothing is pressed, and nothing poured over it unsaid. */
export const portsBare = (vehicle: Vehicle, { levelMl }: RunState, id: string): boolean => {
  const seen = levelMl[id]
  return seen !== undefined && withBarePorts(vehicle, { [id]: seen }).length > 0
}

/** A reservoir of this vehicle by its id. */
export const reservoirNamed = ({ vehicle }: Pick<JobState, 'vehicle'>, id: string) =>
  partsOf(vehicle, 'reservoir').find((each) => each.id === id)

/** Why an act on a reservoir cannot be; undefined where the vehicle has it. */
export const noSuchReservoir = (state: JobState, event: { reservoir: string }): Notice | undefined =>
  reservoirNamed(state, event.reservoir) ? undefined : fact('no-such-reservoir')

/** The run with something counted in the stage it is at. */
export function countMoved(run: RunState, moved: Partial<Tally>): RunState {
  const next = copyOfRun(run)
  next.stages = run.stages.map((stageRun, i) =>
    i === run.stageIndex ? { ...stageRun, tally: addTally(stageRun.tally, moved) } : stageRun,
  )
  return next
}

/** Fluid poured into a reservoir, and the level then seen: what does not fit is kept as unaccounted for. */
export function pourInto(run: RunState, reservoirId: string, ml: number, seenMl: number): RunState {
  const before = run.levelMl[reservoirId]
  const unaccountedMl = before === undefined ? 0 : before + ml - seenMl
  const seen = { ...withCountedSeen(run), levelMl: { ...run.levelMl, [reservoirId]: seenMl } }
  return countMoved(seen, { inMl: ml, unaccountedMl })
}

/** A level that was seen says what had left by then: by how much the count was wrong shows at no later level. */
function withCountedSeen(run: RunState): RunState {
  const stageRun = currentStage(run)
  if (!stageRun || !Object.values(stageRun.at).some(({ countedMl }) => countedMl)) return run
  const at = Object.fromEntries(
    Object.entries(stageRun.at).map(([id, point]) => [
      id,
      point.countedMl ? { ...point, countedSeenMl: point.countedMl } : point,
    ]),
  )
  return { ...run, stages: run.stages.map((each, i) => (i === run.stageIndex ? { ...each, at } : each)) }
}

/** Fluid taken from a reservoir, as far as its level is known. */
export function takeFrom(run: RunState, reservoirId: string | undefined, ml: number): RunState {
  const before = reservoirId === undefined ? undefined : run.levelMl[reservoirId]
  if (reservoirId === undefined || before === undefined) return run
  const next = copyOfRun(run)
  next.levelMl = { ...run.levelMl, [reservoirId]: Math.max(0, before - ml) }
  return next
}

/** Whether by count a port is bare once so much more is taken at a place: whether it is, somebody looks. */
export function baresPorts(
  { vehicle, run }: Pick<JobState, 'vehicle' | 'run'>,
  point: string,
  ml: number,
): boolean {
  const id = reservoirOfPoint(vehicle, point)
  const before = id === undefined ? undefined : run?.levelMl[id]
  return id !== undefined && before !== undefined && withBarePorts(vehicle, { [id]: before - ml }).length > 0
}
