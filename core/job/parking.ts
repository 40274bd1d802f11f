import { fact, type Notice } from '../base/decision'
import { callMove, callStep, jointOpen } from '../technique/calls'
import { partsOf } from '../vehicle/parts'
import { advance } from './advance'
import { countAgainAt, doubt } from './change'
import type { EventOf } from './events'
import { withLevelsUnknown } from './levels'
import { callOf, currentStage, feedsReservoir, isJoint, lookOwed, openPoints } from './points'
import { allOpen, cabWord, withAway, withOpen, withUp } from './standing'
import type { JobState, RunState } from './state'
import { withAirAt } from './with-air'

/** What stands is named, and nobody's foot is left on a pedal that holds an open joint. */
export function parkingRefusal(state: JobState, event: EventOf<'parked'>): Notice | undefined {
  const { run, standing, vehicle } = state
  const open = allOpen(state)
  const unnamed = open.find((point) => !event.standsOpen.includes(point))
  if (unnamed !== undefined) return fact('open-not-named', { point: unnamed })
  const strange = event.standsOpen.find((point) => !open.includes(point) && !isJoint(vehicle, point))
  if (strange !== undefined) return fact('no-such-joint', { point: strange })
  // What stands leaves by its own act, not by a box that was not ticked.
  if (standing.up.includes('pressure') && !event.machineOn) return fact('pressure-not-named')
  if (standing.up.includes('prop') && !event.pedalPropped) return fact('prop-not-named')
  const stageRun = run && currentStage(run)
  const step = stageRun && callStep(callOf(stageRun.stage), run.call)
  const word = step && cabWord(state, step.cab)
  const footOn = word === 'press' || word === 'hold'
  if (open.length > 0 && footOn && !event.pedalPropped) return fact('pedal-would-rise')
  return tiedRefusal(state, event)
}

const withLever = ({ vehicle }: Pick<JobState, 'vehicle'>) =>
  partsOf(vehicle, 'master-cylinder').filter(({ actuator }) => actuator === 'lever')

/** Whether there is a lever that somebody can tie. */
export const mayTieLever = (state: Pick<JobState, 'vehicle' | 'run' | 'standing'>): boolean =>
  withLever(state).length > 0 && allOpen(state).length === 0

/** A tied lever presses all night: through a joint that stands open it would empty the reservoir. */
function tiedRefusal(state: JobState, { leverTied, standsOpen }: EventOf<'parked'>): Notice | undefined {
  if (state.standing.up.includes('lever-tied') && !leverTied) return fact('tied-not-named')
  if (!leverTied) return undefined
  if (withLever(state).length === 0) return fact('no-lever')
  return mayTieLever(state) && standsOpen.length === 0 ? undefined : fact('tied-while-open')
}

/** With the joint closed a foot may leave the pedal: the pull is called anew by whoever goes on. */
const LET_GO: ReadonlySet<RunState['call']> = new Set([
  'pressing',
  'holding',
  'closed',
  'stroked',
  'settling',
  'drawing',
])

/**
 * Left for now. A foot that went away holds nothing any more. What was named beside the call's own joints stands open
 * until it is shut by its own act; then nothing of the call goes on, and its joints stand open in the same way.
 */
export function parkJob(state: JobState, event: EventOf<'parked'>): JobState {
  const { run } = state
  const inCall = run ? openPoints(run) : []
  const beside = event.standsOpen.filter((point) => !inCall.includes(point))
  const named = beside.length > 0 ? event.standsOpen : []
  let standing = named.reduce(
    (all, point) => (all.open.some((each) => each.point === point) ? all : withOpen(all, point, 'named')),
    state.standing,
  )
  if (event.machineOn) standing = withUp(withUp(standing, 'adapter'), 'pressure')
  if (event.pedalPropped) standing = withUp(standing, 'prop')
  if (event.leverTied) standing = withUp(standing, 'lever-tied')
  const parked = { ...state, parked: event, standing }
  if (!run) return parked
  const brokenOff = named.length > 0 && inCall.length > 0
  const letGo = inCall.length === 0 && LET_GO.has(run.call)
  const next =
    letGo || brokenOff
      ? {
          ...run,
          call: 'rest' as const,
          callAt: lookOwed(run) ? run.callAt : undefined,
          hung: undefined,
          openedAt: undefined,
        }
      : run
  // What came is written down first by whoever goes on: nobody else knows of it by then.
  const lookDue = run.lookDue || (next.call === 'rest' && lookOwed(run))
  return { ...parked, run: { ...next, lookDue, timers: {} } }
}

/** Taken up again, after everything that stood was looked at. What was not as left is no longer known. */
export function resumeJob(state: JobState, event: EventOf<'resumed'>): JobState {
  const { parked, run } = state
  if (!parked) return state
  let standing = state.standing
  if (event.pedalCameUp) standing = withAway(standing, 'prop')
  if (event.machineEmpty) standing = withAway(standing, 'pressure')
  const resumed = {
    ...state,
    standing,
    parked: undefined,
    parkings: [...state.parkings, { parked, resumed: event }],
  }
  if (!run) return resumed
  // Under a tied lever what leaks has leaked all night: its reservoir is looked at.
  const tied = parked.leverTied ? tiedReservoirs(state) : []
  const levelMl = event.asLeft ? withLevelsUnknown(run, tied).levelMl : {}
  const seen = { ...resumed, run: { ...run, levelMl } }
  const point = run.callAt
  const blown = event.emptied ? doubt(seen.run, event.emptied) : seen.run
  if (!pedalRose(run, event) || point === undefined) return advance({ ...seen, run: blown }, blown)
  const slipped = { ...seen, run: { ...blown, call: 'slipped' as const } }
  // The first versions counted the joint's own air alone.
  return event.air
    ? withAirAt(slipped, event, point, event.air)
    : { ...slipped, run: countAgainAt(slipped.run, point) }
}

/** Reservoirs of what a lever works. */
const tiedReservoirs = (state: Pick<JobState, 'vehicle'>): string[] =>
  withLever(state).flatMap(({ fedBy, chambers }) => [fedBy, ...chambers.flatMap((each) => each.fedBy ?? [])])

/** Whether the pedal that came up meanwhile drew air in at the joint of the call. */
export function pedalRose(run: RunState, { pedalCameUp }: Pick<EventOf<'resumed'>, 'pedalCameUp'>): boolean {
  const stageRun = currentStage(run)
  const table = stageRun && callOf(stageRun.stage)
  return (
    pedalCameUp &&
    table !== undefined &&
    jointOpen(table, run.call) &&
    callMove(table, run.call, 'foot-slipped') !== undefined
  )
}

/** Bleeders that a machine was feeding: one that ran empty blew air in above them. */
export const fedByMachine = ({ run }: Pick<JobState, 'run'>): string[] =>
  (run?.stages ?? [])
    .filter(({ stage }, i) => i <= (run?.stageIndex ?? 0) && feedsReservoir(stage))
    .flatMap(({ points, at }) => points.filter((id) => at[id]?.finished))
