import { fact } from '../../base/decision'
import { moreThanPlannedMl } from '../selectors'
import type { Watcher } from './watch'

/** Less than this is not worth drawing the reservoir once more. @source from memory */
const WORTH_ML = 50

/** More of the old was left in the reservoir than planned: the bleeders have to make up for it, or it is drawn again. */
export const drawnShort: Watcher = ({ state, point, progress, stageRun }) => {
  const moreMl = moreThanPlannedMl(state)
  const first = stageRun.points.every((id) => !stageRun.at[id]?.finished) && progress.ml === 0
  return first && moreMl >= WORTH_ML ? { ...fact('drawn-short', { moreMl, point }), checks: [] } : undefined
}
