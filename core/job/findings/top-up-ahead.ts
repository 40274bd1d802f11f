import { fact } from '../../base/decision'
import { reservoirFact } from '../../vehicle/parts'
import { watchReservoirs } from '../levels'
import { isFed } from '../points'
import type { Watcher } from './watch'

/** Pulls ahead of the last one that is safe, so that nobody has to run. @source common practice */
const AHEAD = 2

/** Somebody will have to pour soon. */
export const topUpAhead: Watcher = ({ state, stageRun, technique }) => {
  if (isFed(state.run, stageRun.stage) || technique.call === 'bench') return undefined
  const watch = watchReservoirs(state)[0]
  if (watch?.pullsLeft === undefined || watch.pullsLeft === 0 || watch.pullsLeft > AHEAD) return undefined
  return {
    ...fact('top-up-ahead', {
      left: watch.pullsLeft,
      reservoir: reservoirFact(state.vehicle, watch.reservoirId),
    }),
    checks: [fact('look-same-fluid')],
  }
}
