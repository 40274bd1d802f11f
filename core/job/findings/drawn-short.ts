import { fact } from '../../base/decision'
import { mayDrawAgain } from '../events/drawn-again'
import { reservoirOfPoint } from '../points'
import { moreThanPlannedMl } from '../selectors'
import type { Watcher } from './watch'

/** Less than this is not worth drawing the reservoir once more. @source from memory */
const WORTH_ML = 50

/** More of the old was left in the reservoir than planned: the bleeders have to make up for it, or it is drawn again. */
export const drawnShort: Watcher = ({ state, point, progress, stageRun }) => {
  const moreMl = moreThanPlannedMl(state)
  const first = stageRun.points.every((id) => !stageRun.at[id]?.finished) && progress.ml === 0
  if (!first || moreMl < WORTH_ML) return undefined
  const reservoir = reservoirOfPoint(state.vehicle, point)
  const open = reservoir !== undefined && mayDrawAgain(state, reservoir) === undefined
  return {
    ...fact('drawn-short', { moreMl, point }),
    checks: [],
    ...(open && { mends: { says: fact('draw-again'), act: { type: 'drawn-again', reservoir } } }),
  }
}
