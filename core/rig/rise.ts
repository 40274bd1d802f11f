import { bubbleSticks } from '../physics/air/bubble-sticks'
import type { Assembly } from './build'
import type { Cell } from './cell'
import type { Link } from './link'
import type { TubeEnd } from './tube'
import { usual } from './usual'

/** A way that leads up, and how far. */
type Up = { low: Cell; high: Cell; leavesLow: TubeEnd; entersHigh: TubeEnd; riseM: number }

/**
 * Ways by which a bubble rises of itself: from a piece of line to the next, where neither is so narrow that it sticks. A
 * bubble in a brake stands at its top already, and none passes a port or a unit's passages unless fluid takes it along.
 */
export function waysUp({ cells, links, fixed, liquid }: Assembly): Up[] {
  const { densityKgM3 } = liquid
  const { surfaceTensionNM } = usual
  const wide = (cell: Cell) =>
    cell.boreMm !== undefined && !bubbleSticks({ boreMm: cell.boreMm, densityKgM3, surfaceTensionNM }).sticks
  return links.flatMap(({ from, to }: Link): Up[] => {
    const [near, far] = [cells[from] as Cell, cells[to] as Cell]
    const riseM = far.heightM - near.heightM
    if (fixed.has(from) || fixed.has(to) || riseM === 0 || !wide(near) || !wide(far)) return []
    return riseM < 0
      ? [{ low: far, high: near, leavesLow: 'near', entersHigh: 'far', riseM: -riseM }]
      : [{ low: near, high: far, leavesLow: 'far', entersHigh: 'near', riseM }]
  })
}

/** Air and as much liquid change places while a step lasts; nothing is gained or lost. */
export function rise(ways: readonly Up[], dt: number): void {
  for (const { low, high, leavesLow, entersHigh, riseM } of ways) {
    if (low.airMl <= 0) continue
    const wantedMl = low.bubbleMl * -Math.expm1((-usual.risesMPerS * dt) / riseM)
    const movedMl = Math.min(wantedMl, high.liquidMl)
    const airMl = low.airMl * (movedMl / low.bubbleMl)
    low.airMl -= airMl
    high.airMl += airMl
    const oldMl = takeLiquid(high, entersHigh, movedMl)
    giveLiquid(low, leavesLow, movedMl, oldMl)
  }
}

function takeLiquid(cell: Cell, end: TubeEnd, ml: number): number {
  const oldMl = cell.tube ? cell.tube.pop(end, ml) : cell.oldShare * ml
  cell.liquidMl -= ml
  if (!cell.tube) cell.oldMl -= oldMl
  return oldMl
}

function giveLiquid(cell: Cell, end: TubeEnd, ml: number, oldMl: number): void {
  cell.liquidMl += ml
  if (cell.tube) cell.tube.push(end, ml, oldMl)
  else cell.oldMl += oldMl
}
