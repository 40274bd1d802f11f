import { reservoirName } from '../../vehicle/parts'
import { watchReservoirs } from '../levels'
import { machineFeeds } from '../points'
import type { Watcher } from './watch'

/** Pulls ahead of the last one that is safe, so that nobody has to run. @source common practice */
const AHEAD = 2

/** Somebody will have to pour soon. */
export const topUpAhead: Watcher = ({ state, stageRun, technique }) => {
  if (machineFeeds(stageRun.stage) || technique.call === 'bench') return undefined
  const watch = watchReservoirs(state)[0]
  if (watch?.pullsLeft === undefined || watch.pullsLeft === 0 || watch.pullsLeft > AHEAD) return undefined
  const left = watch.pullsLeft === 1 ? 'one more' : 'two more'
  return {
    code: 'top-up-ahead',
    says: `${left} and ${reservoirName(state.vehicle, watch.reservoirId)} is at MIN: top up now.`.replace(
      /^./,
      (first) => first.toUpperCase(),
    ),
    checks: ['Same fluid, from the container that is open for this job. Lid back on loosely.'],
  }
}
