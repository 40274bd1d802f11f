import { techniqueOf } from '../../technique'
import { isRunning } from '../events/kind'
import { currentPoint, currentStage } from '../points'
import { bleedDone } from '../selectors'
import type { JobState } from '../state'
import { drawnShort } from './drawn-short'
import { falseBubbles } from './false-bubbles'
import { farOver } from './far-over'
import { froth } from './froth'
import { noFlow } from './no-flow'
import { routineLittle } from './routine-little'
import { slowFlow } from './slow-flow'
import { tankLow } from './tank-low'
import type { Finding, Watcher } from './watch'

export type { Finding } from './watch'

/** Everything that is watched, the most urgent first. A new one is one file and one line here. */
const watchers: readonly Watcher[] = [
  tankLow,
  drawnShort,
  noFlow,
  slowFlow,
  falseBubbles,
  farOver,
  routineLittle,
  froth,
]

/** What is worth saying of the place under work now. */
export function findings(state: JobState): Finding[] {
  if (!isRunning(state) || state.parked || state.filed || bleedDone(state)) return []
  const stageRun = currentStage(state.run)
  const point = currentPoint(state.run)
  const progress = point === undefined ? undefined : stageRun?.at[point]
  if (!stageRun?.stage.technique || point === undefined || !progress) return []
  const seen = { state, stageRun, point, progress, technique: techniqueOf(stageRun.stage.technique) }
  return watchers.flatMap((watch) => watch(seen) ?? [])
}
