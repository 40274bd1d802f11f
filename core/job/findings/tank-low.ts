import { fact } from '../../base/decision'
import { isFed } from '../points'
import type { Watcher } from './watch'

/** Below this a machine may draw air at its outlet. @source from memory */
const LEAST_ML = 150

/** The machine's tank will not last for this bleeder: an empty one blows air into the reservoir. */
export const tankLow: Watcher = ({ state, stageRun, point, progress }) => {
  const { tankMl, bottleOn } = state.run
  if (!isFed(state.run, stageRun.stage) || tankMl === undefined) return undefined
  const wantsMl = Math.max(0, (stageRun.stage.mlByBleeder?.[point] ?? 0) - progress.ml)
  if (tankMl >= wantsMl + LEAST_ML) return undefined
  const told = { tankMl, point, wantsMl }
  return bottleOn
    ? { ...fact('bottle-low', told), checks: [fact('look-same-fluid')] }
    : { ...fact('tank-low', told), checks: [fact('look-tank')] }
}
