import { stageTraits } from '../plan/stage-kinds'
import { withRun } from './copies'
import type { Running } from './events/kind'
import { reservoirsOfStage, withLevelsUnknown } from './levels'
import { currentPoint, currentStage } from './points'
import type { JobState, RunState } from './state'
import { currentStep } from './steps'

/** The job with its run brought to the next stage that still has something to do. */
export function advance(state: Running, run: RunState): JobState {
  let next = run
  while (true) {
    const stageRun = currentStage(next)
    const open = state.standing.open.length > 0
    const busy = next.call !== 'rest' || next.lookDue || next.mends.length > 0 || open
    if (!stageRun || stageRun.stage.kind === 'prove' || busy) break
    if (currentStep({ run: next, standing: state.standing }) || currentPoint(next) !== undefined) break
    // Each stage has a bottle and timers of its own.
    next = { ...next, stageIndex: next.stageIndex + 1, timers: {}, bottleMl: 0 }
    if (stageTraits[stageRun.stage.kind].disturbsLevel)
      next = withLevelsUnknown(next, reservoirsOfStage(state.vehicle, stageRun))
  }
  return next === state.run ? state : withRun(state, next)
}
