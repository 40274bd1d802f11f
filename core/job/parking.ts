import { fact, type Notice } from '../base/decision'
import { callMove, callStep, jointOpen } from '../technique/calls'
import type { EventOf } from './events'
import { callKindOf, countAgain, currentStage, openPoint, openPoints } from './points'
import type { JobState, RunState } from './state'

/** What stands open is named, and nobody's foot is left on a pedal that holds an open joint. */
export function parkingRefusal({ run }: JobState, event: EventOf<'parked'>): Notice | undefined {
  if (!run) return undefined
  const unnamed = openPoints(run).find((point) => !event.standsOpen.includes(point))
  if (unnamed !== undefined) return fact('open-not-named', { point: unnamed })
  const stageRun = currentStage(run)
  const cab = stageRun && callStep(callKindOf(stageRun.stage), run.call)?.cab
  const footOn = cab === 'press' || cab === 'hold'
  return openPoint(run) !== undefined && footOn && !event.pedalPropped ? fact('pedal-would-rise') : undefined
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

/** Left for now. A foot that went away holds nothing any more. */
export function parkJob(state: JobState, event: EventOf<'parked'>): JobState {
  const { run } = state
  if (!run) return { ...state, parked: event }
  const letGo = openPoint(run) === undefined && LET_GO.has(run.call)
  const next = letGo ? { ...run, call: 'rest' as const, callAt: run.lookDue ? run.callAt : undefined } : run
  return { ...state, parked: event, run: { ...next, timers: {} } }
}

/** Taken up again, after everything that stood was looked at. What was not as left is no longer known. */
export function resumeJob(state: JobState, event: EventOf<'resumed'>): JobState {
  const { parked, run } = state
  if (!parked) return state
  const resumed = { ...state, parked: undefined, parkings: [...state.parkings, { parked, resumed: event }] }
  if (!run) return resumed
  const levelMl = event.asLeft ? run.levelMl : {}
  const stageRun = currentStage(run)
  const kind = stageRun && callKindOf(stageRun.stage)
  const cameUp =
    event.pedalCameUp && kind && jointOpen(kind, run.call) && callMove(kind, run.call, 'foot-slipped')
  const point = run.callAt
  if (!cameUp || !stageRun || point === undefined) return { ...resumed, run: { ...run, levelMl } }
  const progress = stageRun.at[point]
  const at = progress ? { ...stageRun.at, [point]: countAgain(progress) } : stageRun.at
  const stages = run.stages.map((each, i) => (i === run.stageIndex ? { ...each, at } : each))
  return { ...resumed, run: { ...run, levelMl, call: 'slipped', stages } }
}
