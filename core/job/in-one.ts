import { type CallMove, callStep } from '../technique/calls'
import type { FloorEvent, Unstamped } from './events'
import type { Running } from './events/kind'
import { pourFirst } from './levels'
import { callNow, callOf, currentPoint, currentStage, freshPoint, pointWants } from './points'

export type InOne = {
  acts: readonly Unstamped<FloorEvent>[]
  /** The act of the call among them. */
  move: CallMove
}

/**
 * Two acts that one pair of hands does in one go, and confirms with one tap: the hose goes on and the vacuum is drawn; the
 * vacuum is let off and the place is ended. Each is recorded, judged and taken back as the act that it is.
 *
 * @returns in their order; undefined where the next act stands by itself
 */
export function inOne(state: Running): InOne | undefined {
  const { run, vehicle, callTurn = 0 } = state
  const stageRun = currentStage(run)
  const point = currentPoint(run)
  if (!stageRun || point === undefined || run.lookDue || state.standing.open.length > 0) return undefined
  const { ready } = stageRun.at[point] ?? freshPoint()
  const next = callStep(callOf(stageRun.stage), run.call)?.next ?? []
  const begins = next.find(({ withHoseOn }) => withHoseOn)
  if (begins && !ready && !pourFirst(state))
    return { move: begins, acts: [{ type: 'point-ready', point }, callNow(run, begins.act, callTurn)] }
  const ends = next.find(({ withCapOn }) => withCapOn)
  return ends && ready && pointWants(vehicle, stageRun, point).done
    ? { move: ends, acts: [callNow(run, ends.act, callTurn), { type: 'point-finished', point }] }
    : undefined
}
