import { callStep } from '../technique/calls'
import { takesAway, UNPLUGGED_UNIT } from '../technique/standing'
import type { Step } from '../technique/step'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { bottlesAtOnce, hangable } from './bottles'
import type { FloorEvent, Unstamped } from './events'
import { jointState, jointSteps, nextFor, notDry } from './joints'
import { levelFirst, notAtMax, portsBare, pourBefore, pourFirst, pourSoon, watchReservoirs } from './levels'
import { lookFirst, lookSpeaksFor } from './looks'
import { hydraulicsOpenAt } from './off-things'
import {
  callNow,
  callOf,
  currentPoint,
  currentStage,
  feedsReservoir,
  freshPoint,
  lookOwed,
  looksAfterPull,
  openPoints,
  pointWants,
} from './points'
import type { ProofCheck } from './proofs/checks'
import { GOOD, placesLeft } from './proofs/places'
import { runsOn } from './runs-on'
import { bleedDone } from './selectors'
import { allOpen, jointToShut, standsUp } from './standing'
import type { JobState, RunState, StageRunState } from './state'
import { amountToMove, currentStep } from './steps'
import { mayNotPower, type UnitReading, workedUnits } from './unit-ledger'

export type { Unstamped } from './events'

/** The next joint that was opened: all are started before any is tightened, and looked at last. */
function jointAct(state: JobState) {
  const left = notDry(state).map(({ id }) => ({ joint: id, is: nextFor(jointState(state, id)) }))
  const next = jointSteps.flatMap((step) => left.find(({ is }) => is === step) ?? [])[0]
  return next?.is && ({ type: 'joint-checked', joint: next.joint, is: next.is } as const)
}

/** What one pull brings, and one look at a bleeder left open, in a made-up run. */
const PULL_ML = 9
const LOOK_ML = 30
const DRAWN_ML = 120

/**
 * What a careful technician does next when nothing goes wrong: the fluid turns from dark to new as it comes through,
 * the first pull has a string of bubbles, and the reservoir is topped up in time. For demonstration and test.
 *
 * @returns undefined where the bleed is finished and every reservoir full, or the job is parked
 */
export function carefulAct(state: JobState): Unstamped<FloorEvent> | undefined {
  const { run, vehicle } = state
  const stageRun = run && currentStage(run)
  if (!run || !stageRun || state.parked || state.filed) return undefined
  const off = allOpen(state).length === 0 ? hydraulicsOpenAt(state) : undefined
  if (off && run.call === 'rest') return { type: 'put-back', off: off.id }
  if (bleedDone(state)) return lastFill(state) ?? jointAct(state)
  const [open] = state.standing.open
  if (open && run.call !== 'rest' && openPoints(run).length > 0) {
    const next = callStep(callOf(stageRun.stage), run.call)?.next.filter(({ mishap }) => !mishap)
    const close = next?.find(({ act }) => act === 'close') ?? next?.[0]
    if (close) return callNow(run, close.act, state.callTurn ?? 0)
  }
  const toShut = jointToShut({ run, standing: state.standing })
  if (toShut) return { type: 'joint-shut', point: toShut.point }
  if (!run.plateConfirmed) return { type: 'plate-confirmed' }
  // Before anything runs through them.
  const joint = jointAct(state)
  if (joint && (joint.is === 'started' || joint.is === 'tight')) return joint
  const unseen = levelFirst(state)
  if (unseen !== undefined) return levelSeen(vehicle, unseen)
  const now = currentStep({ run, standing: state.standing })
  const powers = now && takesAway(now.step) === UNPLUGGED_UNIT
  const unnamed = powers ? unitToName(state) : undefined
  if (unnamed !== undefined) return unnamed
  if (now?.away) return { type: 'put-away', thing: now.away }
  if (now) return stepDone(state, now.step)
  const point = currentPoint(run)
  if (point === undefined) return undefined
  const progress = stageRun.at[point] ?? freshPoint()
  if (!progress.ready && run.call === 'rest' && !lookOwed(run))
    return pourBefore(state) ? topUp(state) : { type: 'point-ready', point }
  const wants = pointWants(vehicle, stageRun, point)
  const targetMl = stageRun.stage.mlByBleeder?.[point] ?? 0
  const lookMl = runsOn(state)?.ml || LOOK_ML
  const through = run.call === 'open' ? progress.ml + lookMl : progress.ml
  const look = {
    type: 'pull-seen',
    colour: through < targetMl * 0.35 ? 'dark' : through < targetMl * 0.7 ? 'amber' : 'new',
    bubbles: progress.pulls === 0 && progress.airDrawn === 0 ? 'string' : 'none',
  } as const
  const pulled = looksAfterPull(stageRun.stage)
  const runs = run.call === 'open' && bottlesAtOnce(state) > 1
  const [free] = runs ? hangable(state) : []
  const offered = lookFirst({ ...state, run }) || (lookOwed(run) && run.call === 'rest' && wants.done)
  if (offered) return { ...look, ml: PULL_ML * lookSpeaksFor({ ...state, run }).pulls }
  const leftOpen = !pulled && run.call === 'open'
  if (leftOpen && pourFirst(state)?.code === 'ports-bare') return callNow(run, 'close', state.callTurn ?? 0)
  if (leftOpen && pourFirst(state)) return topUp(state)
  if (free !== undefined) return { type: 'bottle-hung', point: free }
  const stale = stalestBottle(run, stageRun, point)
  if (leftOpen && !wants.done && stale) return { type: 'bottle-watched', point: stale }
  if (leftOpen && !wants.done) return { ...look, ml: lookMl }
  if (run.call === 'rest' && wants.done) return { type: 'point-finished', point }
  if (run.call === 'rest' && !lookOwed(run) && pourSoon(state)) return topUp(state)
  const ways = callStep(callOf(stageRun.stage), run.call)?.next.filter((move) => !move.mishap) ?? []
  const settles = wants.wantsSettling && wants.wantsClean === 0
  const pressed = standsUp(state, 'pressure') && !feedsReservoir(stageRun.stage)
  const closes = pressed ? ways.find(({ act }) => act === 'close') : undefined
  const way = closes ?? ways.find(({ act }) => (act === 'settle') === settles) ?? ways[0]
  return way && callNow(run, way.act, state.callTurn ?? 0)
}

/** A replaced unit whose numbers nobody wrote down, or that was the wrong one and is changed for the right one. */
function unitToName(state: JobState): Unstamped<FloorEvent> | undefined {
  const id = mayNotPower(state)?.params?.unit
  const unit = partsOf(state.vehicle, 'control-unit').find((each) => each.id === id)
  const fitted = { oldNumber: 'CU 70-114', newNumber: 'CU 70-114', origin: 'new', faces: 'clean' } as const
  return unit && { type: 'unit-fitted', unit: unit.id, fitted }
}

/** Of bottles that run, the one that nobody has looked at for longest, where that is not the one in hand. */
function stalestBottle({ hung = [] }: RunState, { at }: StageRunState, inHand: string): string | undefined {
  const seenAt = (point: string) => at[point]?.seenAt ?? ''
  const [first] = hung.map(({ point }) => point).sort((a, b) => seenAt(a).localeCompare(seenAt(b)))
  return first !== undefined && seenAt(first) < seenAt(inHand) ? first : undefined
}

/** In a made-up run it has sunk a little below MAX by the time somebody looks. */
function levelSeen(vehicle: Vehicle, reservoir: string): Unstamped<FloorEvent> {
  const { maxMl = 0, minMl = 0 } = partsOf(vehicle, 'reservoir').find(({ id }) => id === reservoir) ?? {}
  return { type: 'level-read', reservoir, ml: Math.round(maxMl - (maxMl - minMl) / 4) }
}

/** Before the proof every reservoir stands at MAX: filled with what is missing, or drawn down and seen there. */
function lastFill(state: JobState): Unstamped<FloorEvent> | undefined {
  const [off] = notAtMax(state)
  if (!off) return undefined
  const { reservoir, missingMl } = off
  if (state.run && portsBare(state.vehicle, state.run, reservoir))
    return { type: 'trouble', trouble: { what: 'ran-dry', reservoir } }
  const { maxMl = 0 } = partsOf(state.vehicle, 'reservoir').find(({ id }) => id === reservoir) ?? {}
  return missingMl > 0
    ? { type: 'topped-up', reservoir, ml: missingMl }
    : { type: 'level-read', reservoir, ml: maxMl }
}

function topUp(state: JobState): Unstamped<FloorEvent> | undefined {
  const watch = watchReservoirs(state)[0]
  if (!watch) return undefined
  const { reservoirId, maxMl, minMl, levelMl = minMl } = watch
  if (state.run && portsBare(state.vehicle, state.run, reservoirId))
    return { type: 'trouble', trouble: { what: 'ran-dry', reservoir: reservoirId } }
  return { type: 'topped-up', reservoir: reservoirId, ml: maxMl - levelMl }
}

function stepDone(state: JobState, step: Step): Unstamped<FloorEvent> {
  const ml = step.asksMl && Math.round(amountToMove(state, step) ?? DRAWN_ML)
  return {
    type: 'step-done',
    step: step.id,
    ml,
    heldS: step.holdS,
    awaited: step.awaits,
    tookS: step.leastS,
  }
}

/** What a careful technician does to pass one proof where everything is as it should be: its places, then the proof. */
export function carefulProof(state: JobState, check: ProofCheck): Unstamped<FloorEvent>[] {
  const { id, measure, holdS } = check
  const failed = state.proofs[id]?.passed === false
  const sound: UnitReading = {
    from: 'aloud',
    codes: [],
    calibration: 'done',
    restKPa: 0,
    pressedKPa: 6000,
    lamp: 'out',
  }
  const when = check.units === 'driven' ? 'driven' : 'after'
  const named = check.units === 'now' ? unitToName(state) : undefined
  return [
    ...(named ? [named] : []),
    ...(check.units ? workedUnits(state) : []).map(
      ({ id: unit }) => ({ type: 'unit-read', unit, when, reading: sound }) as const,
    ),
    ...placesLeft(state, check).map(
      (place) => ({ type: 'place-looked', check: id, place: place.id, is: GOOD }) as const,
    ),
    {
      type: 'check-proved',
      check: id,
      passed: true,
      value: measure && 0,
      heldS: holdS,
      note: '',
      ...(failed && { remedy: 'set right' }),
    },
  ]
}
