import { techniqueOf } from '../technique'
import { expectedMlPerMin } from './findings/driving'
import { behindUnit, flowOf } from './findings/slow-flow'
import { currentPoint, currentStage, freshPoint } from './points'
import type { JobState } from './state'

/** Slower than this is no flow that anybody waits for, mL/min. @source from memory */
const LEAST_ML_PER_MIN = 1

/**
 * How long an open bleeder takes for an amount, s: by what it was seen to pass, else by what its line lets through.
 *
 * @returns undefined where a foot drives it, and behind a control unit until it was timed: nobody knows what that takes
 */
export function runsForS(state: JobState, ml: number): number | undefined {
  const { run } = state
  const stageRun = run && currentStage(run)
  const point = run && currentPoint(run)
  if (!run || !stageRun?.stage.technique || point === undefined) return undefined
  const technique = techniqueOf(stageRun.stage.technique)
  const progress = stageRun.at[point] ?? freshPoint()
  const seen = { state: { ...state, run }, stageRun, technique, point, progress }
  const mlPerMin = flowOf(progress) ?? (behindUnit(seen) ? undefined : expectedMlPerMin(seen, point))
  return mlPerMin === undefined || mlPerMin < LEAST_ML_PER_MIN ? undefined : (60 * ml) / mlPerMin
}
