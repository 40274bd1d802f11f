import { callMove, callStep, jointOpen } from '../technique/calls'
import { type Applied, refuse } from './applied'
import type { EventOf } from './events'
import { callKindOf, countAgain, currentStage, openPoint, openPoints } from './points'
import type { JobState } from './state'

/** Left for now: what stands open is named, and nobody's foot is left on a pedal that holds an open joint. */
export function park(state: JobState, event: EventOf<'parked'>): Applied {
  const { run } = state
  if (!run) return { ok: true, state: { ...state, parked: event } }
  const open = openPoint(run)
  const unnamed = openPoints(run).find((point) => !event.standsOpen.includes(point))
  if (unnamed !== undefined)
    return refuse('open-not-named', `${unnamed} is recorded open: close it, or name it as left open.`)
  const stageRun = currentStage(run)
  const cab = stageRun && callStep(callKindOf(stageRun.stage), run.call)?.cab
  const footOn = cab === 'press' || cab === 'hold'
  if (open !== undefined && footOn && !event.pedalPropped)
    return refuse(
      'pedal-would-rise',
      'The pedal would come up with the bleeder open: close it first, or prop the pedal.',
    )
  // With the joint closed a foot may leave the pedal: the pull is called anew by whoever goes on.
  const letGo =
    open === undefined &&
    ['pressing', 'holding', 'closed', 'stroked', 'settling', 'drawing'].includes(run.call)
  const next = letGo ? { ...run, call: 'rest' as const, callAt: run.lookDue ? run.callAt : undefined } : run
  // A foot that went away holds nothing any more.
  return { ok: true, state: { ...state, parked: event, run: { ...next, timers: {} } } }
}

/** Taken up again, after everything that stood was looked at. What was not as left is no longer known. */
export function resume(state: JobState, event: EventOf<'resumed'>): Applied {
  const { parked, run } = state
  if (!parked) return refuse('not-parked', 'This job is not parked.')
  if (!event.asLeft && event.found.trim() === '') return refuse('found-missing', 'Say what was found.')
  const resumed = { ...state, parked: undefined, parkings: [...state.parkings, { parked, resumed: event }] }
  if (!run) return { ok: true, state: resumed }
  const levelMl = event.asLeft ? run.levelMl : {}
  const stageRun = currentStage(run)
  const kind = stageRun && callKindOf(stageRun.stage)
  const cameUp =
    event.pedalCameUp && kind && jointOpen(kind, run.call) && callMove(kind, run.call, 'foot-slipped')
  const point = run.callAt
  if (!cameUp || !stageRun || point === undefined)
    return { ok: true, state: { ...resumed, run: { ...run, levelMl } } }
  const progress = stageRun.at[point]
  const at = progress ? { ...stageRun.at, [point]: countAgain(progress) } : stageRun.at
  const stages = run.stages.map((each, i) => (i === run.stageIndex ? { ...each, at } : each))
  return { ok: true, state: { ...resumed, run: { ...run, levelMl, call: 'slipped', stages } } }
}
