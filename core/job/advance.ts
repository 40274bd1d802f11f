import { stageTraits } from '../plan/stage-kinds'
import { backToDoubtful } from './change'
import { withRun } from './copies'
import type { Running } from './events/kind'
import { reservoirsOfStage, withLevelsUnknown } from './levels'
import { currentPoint, currentStage, lookOwed } from './points'
import type { JobState, RunState } from './state'
import { currentStep } from './steps'

/** The job with its run brought to the next stage that still has something to do: first to one that was left in doubt. */
export function advance(state: Running, run: RunState): JobState {
  const open = state.standing.open.length > 0
  if (run.call !== 'rest' || lookOwed(run) || run.mends.length > 0 || open)
    return run === state.run ? state : withRun(state, run)
  let next = backToDoubtful(run)
  while (true) {
    const stageRun = currentStage(next)
    if (!stageRun || stageRun.stage.kind === 'prove') break
    if (currentStep({ run: next, standing: state.standing }) || currentPoint(next) !== undefined) break
    // Each stage has a bottle and timers of its own.
    next = { ...next, stageIndex: next.stageIndex + 1, timers: {}, bottleMl: 0 }
    if (stageTraits[stageRun.stage.kind].disturbsLevel)
      next = withLevelsUnknown(next, reservoirsOfStage(state.vehicle, stageRun))
  }
  return next === state.run ? state : withRun(state, next)
}

/** Once a call is at rest the work goes back to where air left a place in doubt; otherwise it stays where it is. */
export function goBack(state: Running): JobState {
  const { run } = state
  // Nothing is in doubt in a job where nothing went wrong: most acts are of such.
  if (state.troubles.length === 0 || run.call !== 'rest' || lookOwed(run)) return state
  const back = backToDoubtful(run)
  return back === run ? state : withRun(state, back)
}
