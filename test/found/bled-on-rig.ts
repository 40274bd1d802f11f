import { Chance } from '~core/base/random'
import { bottleMarks } from '~core/job/bottle'
import { bottlesAtOnce } from '~core/job/bottles'
import { carefulAct } from '~core/job/careful'
import type { FloorEvent, Unstamped } from '~core/job/events'
import { type Finding, findings } from '~core/job/findings'
import { usualPullMl } from '~core/job/levels'
import { lookSpeaksFor } from '~core/job/looks'
import { currentPoint, currentStage, looksAfterPull, openPoint } from '~core/job/points'
import { PracticeVehicle } from '~core/job/practice-vehicle'
import { runsForS } from '~core/job/runs-for'
import { runsOn } from '~core/job/runs-on'
import { bleedDone } from '~core/job/selectors'
import { jobTally } from '~core/job/tally'
import { feedsOf } from '~core/plan/feeds'
import { lineId } from '~core/rig/parts/line'
import type { RigFault } from '~core/rig/request'
import { Rig } from '~core/rig/run'
import { routedBleeders } from '~core/vehicle/network'
import type { Vehicle } from '~core/vehicle/schema'
import { fleet } from '../diagnosis/hidden'
import { ScriptedJob } from '../worlds/scripted-job'

/** What may be wrong at one wheel. */
export const wrongs = ['none', 'hose-closed', 'hose-flap', 'piston-stuck'] as const
export type Wrong = (typeof wrongs)[number]
const ways = ['gravity', 'pressure', 'two-person'] as const

export type BledCase = {
  seed: number
  vehicle: Vehicle
  wrong: Wrong
  brake: string
  way: (typeof ways)[number]
}
/** What was found, at which brake, and what had gone through by then. */
export type Outcome = { says?: string; named?: string; usedMl: number; plannedMl: number }

const wheelsOf = (vehicle: Vehicle) =>
  routedBleeders(vehicle).filter(({ part, route }) => part.type === 'wheel-brake' && route)

/** One vehicle of the fleet with one wheel wrong, or none, and one way to bleed it. */
export function caseOf(seed: number): BledCase {
  const chance = new Chance(seed)
  const vehicle = chance.of(fleet)
  return {
    seed,
    vehicle,
    wrong: wrongs[seed % wrongs.length] ?? 'none',
    brake: chance.of(wheelsOf(vehicle)).part.id,
    way: chance.of(ways),
  }
}

function faultsOf({ vehicle, wrong, brake, seed }: BledCase): RigFault[] {
  const line = wheelsOf(vehicle)
    .find(({ part }) => part.id === brake)
    ?.route?.lines.at(-1)
  const at = line ? lineId(line) : ''
  if (wrong === 'hose-closed')
    return [{ kind: 'hose-closed', at, boreMm: 0.25 + 0.15 * new Chance(seed + 1e6).next() }]
  if (wrong === 'hose-flap') return [{ kind: 'hose-flap', at }]
  return wrong === 'piston-stuck' ? [{ kind: 'piston-stuck', at: brake }] : []
}

/** Nobody waits longer for a look than this, s, nor looks sooner than at this. */
const LONGEST_S = 180
const LOOK_S = 20
/** An open bleeder is passed this long between two glances, s of the page. */
const GLANCE_S = 2

/**
 * Bleed it as planned with the eyes that a technician has: marks of the bottle, a watch, and what the screen notices.
 * Once it is bled each wheel is tried with the pedal held and let go.
 */
export function bleed(of: BledCase): Outcome {
  const { vehicle, way } = of
  const job = ScriptedJob.planned(vehicle, { reason: 'service', padWearMm: {} }, [way], 1e4)
  const van = new PracticeVehicle(vehicle, { what: { code: 'nothing' }, faults: faultsOf(of) }, 20)
  const plannedMl = job.state.planned?.plan.fluid.totalMl ?? 0
  const brakeAt = (point: unknown) => wheelsOf(vehicle).find(({ bleeder }) => bleeder.id === point)?.part.id
  /** What came at each place so far. */
  const came = new Map<string, number>()
  const passed = (seconds: number) => {
    van.pass(seconds)
    job.wait(seconds * van.seen().speed)
  }
  for (let acts = 0; acts < 3000 && !bleedDone(job.state); acts++) {
    const found = findings(job.state).find(isOfOneWheel)
    if (found)
      return { says: found.code, named: brakeAt(found.params?.point), usedMl: usedMl(job), plannedMl }
    const before = job.state
    let act = carefulAct(before)
    if (!act) break
    if (act.type === 'pull-seen') {
      if (openPoint(job.run) !== undefined) runOn(job, van, passed)
      act = lookOf(job, van, came)
    }
    job.do(act)
    van.follow(before, job.events.at(-1) as FloorEvent, job.state)
    if (act.type === 'call' && act.act === 'open' && byFoot(job)) passed(3)
  }
  return { ...tried(of), usedMl: usedMl(job), plannedMl }
}

const usedMl = ({ state }: ScriptedJob) => jobTally(state).outMl
const byFoot = ({ run }: ScriptedJob) => {
  const stageRun = currentStage(run)
  return stageRun !== undefined && looksAfterPull(stageRun.stage)
}

/** What points at one wheel, of all that a bay notices. */
const ONE_WHEEL = new Set(['flow-slow', 'side-slow', 'pulls-small', 'no-flow', 'draws-nothing'])
const isOfOneWheel = ({ code }: Finding) => ONE_WHEEL.has(code)

/** Let it run to its mark, or for as long as anybody waits. */
function runOn(job: ScriptedJob, van: PracticeVehicle, passed: (seconds: number) => void): void {
  const wantsMl = runsOn(job.state)?.ml ?? 30
  const usualS = runsForS(job.state, wantsMl)
  const mostS = Math.min(LONGEST_S, Math.max(LOOK_S, 1.5 * (usualS ?? LOOK_S)))
  const from = van.seen().sinceMl
  for (let s = 0; s < mostS && van.seen().sinceMl - from < wantsMl; s += GLANCE_S * van.seen().speed)
    passed(GLANCE_S)
}

/** What has run into the bottle in hand so far: a bottle is read by its mark, so that no reading adds to the error of the one before. */
function inBottleMl(
  van: PracticeVehicle,
  point: string,
  came: Map<string, number>,
  several: boolean,
): number {
  came.set(point, van.seen().bottleMl)
  return several ? van.seen().bottleMl : [...came.values()].reduce((sum, each) => sum + each, 0)
}

/** The nearest mark, and what the hose shows. */
function lookOf(job: ScriptedJob, van: PracticeVehicle, came: Map<string, number>): Unstamped<FloorEvent> {
  const { colour, bubbles } = van.seen()
  const point = currentPoint(job.run) ?? ''
  const { pulls } = lookSpeaksFor({ ...job.state, run: job.run })
  const usual = byFoot(job) ? usualPullMl(job.state.vehicle, point) * pulls : 30
  const standsMl = inBottleMl(van, point, came, bottlesAtOnce(job.state) > 1)
  const moreMl = Math.max(0, standsMl - job.run.bottleMl)
  const { all } = bottleMarks(job.run.bottleMl, Math.max(1, moreMl), 'mL', Math.min(30, usual))
  const nearest = all.reduce((x, y) =>
    Math.abs(y.markMl - standsMl) < Math.abs(x.markMl - standsMl) ? y : x,
  )
  return { type: 'pull-seen', ml: nearest.addsMl, colour, bubbles }
}

/** A brake that keeps more than this drags. @source from memory */
const DRAGS_KPA = 40
/** A brake that takes less than this under a full foot does not press its pads. @source from memory */
const HOLDS_ML = 0.05

/** Each wheel by hand: with the pedal held none turns, let go each turns. */
function tried(of: BledCase): Pick<Outcome, 'says' | 'named'> {
  const { vehicle } = of
  const rig = new Rig({ vehicle, start: { oldPct: 0 }, faults: faultsOf(of) })
  for (const { part, bleeder } of wheelsOf(vehicle)) {
    const foot = feedsOf(vehicle).get(bleeder.id)?.foot
    const [worn] = rig.assembly.worn.get(part.id) ?? []
    if (!foot || !worn) continue
    const cell = () => rig.assembly.at(worn.cell)
    const rest = cell().liquidMl
    rig.do({ do: 'press', ...foot, effortN: 4 * foot.effortN, overS: 0.3, for: 5 })
    const heldMl = cell().liquidMl - rest
    rig.do({ do: 'release', cylinder: foot.cylinder, overS: 0.3, for: 2 })
    if (cell().kPa > DRAGS_KPA) return { says: 'stays-on', named: part.id }
    if (heldMl < HOLDS_ML) return { says: 'no-hold', named: part.id }
  }
  return {}
}
