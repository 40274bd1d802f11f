import { currentPoint } from './points'
import type { RunState, StageRunState } from './state'

/** Where the machine's tank, or the bottle on the reservoir, will stand once a bleeder has had what it still wants. */
export type TankMark = { point: string; atMl: number }

/**
 * Marks to work to, one for each bleeder that is not finished, in the order of the work; below 0 means that somebody
 * fills the tank before that one is done.
 */
export function tankMarks({ points, at, stage }: StageRunState, run: RunState): TankMark[] {
  if (run.tankMl === undefined) return []
  const now = currentPoint(run)
  const left = points.filter((id) => !at[id]?.finished)
  const order = now !== undefined && left.includes(now) ? [now, ...left.filter((id) => id !== now)] : left
  let standsMl = run.tankMl
  return order.map((point) => {
    standsMl -= Math.max(0, (stage.mlByBleeder?.[point] ?? 0) - (at[point]?.ml ?? 0))
    return { point, atMl: standsMl }
  })
}
