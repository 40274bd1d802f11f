import { fact, type Notice } from '../base/decision'
import { copyOfRun, withRun } from './copies'
import type { Running } from './events/kind'
import { currentPoint, currentStage, freshPoint } from './points'
import type { PointRun, RunState, StageRunState } from './state'
import { currentStep } from './steps'

/** Where the work is now: the place whose turn it is, and what is known of it. */
export type Here = { stageRun: StageRunState; point: string; progress: PointRun }

/** The place under work, or why nothing can be done at one now. */
export function placeNow(state: Running): Here | { refusal: Notice } {
  const { run } = state
  const stageRun = currentStage(run)
  const point = currentPoint(run)
  if (!stageRun || stageRun.stage.kind === 'prove') return { refusal: fact('bleed-finished') }
  if (currentStep(state) || point === undefined) return { refusal: fact('step-first') }
  return { stageRun, point, progress: stageRun.at[point] ?? freshPoint() }
}

/** The job with a place of the stage under way changed, and the run around it as given. Most acts leave the place as it was. */
export function changePoint(
  state: Running,
  point: string,
  change: (progress: PointRun) => PointRun,
  run: RunState = state.run,
): Running {
  const stageRun = currentStage(run)
  if (!stageRun) return withRun(state, run)
  const progress = stageRun.at[point] ?? freshPoint()
  const next = change(progress)
  if (next === progress) return withRun(state, run)
  const changed = { ...stageRun, at: { ...stageRun.at, [point]: next } }
  const around = copyOfRun(run)
  around.stages = run.stages.map((each, i) => (i === run.stageIndex ? changed : each))
  return withRun(state, around)
}
