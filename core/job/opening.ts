import { usualBleeder } from '../physics/hydraulics/bleeder'
import { techniqueOf } from '../technique'
import type { Running } from './events/kind'
import { expectedMlPerMin } from './findings/driving'
import { behindUnit } from './findings/slow-flow'
import { currentStage, freshPoint, openPoint } from './points'

/** Two turns instead of half a one: the seat stands so far off that its hole is no hole any more. @source from memory */
const WIDE_OPEN = { ...usualBleeder, holeMm: 3 }

/** What opening a bleeder further brings. */
export type Opening = { mlPerMin: number; morePct: number }

/**
 * By how much an open bleeder that something drives runs quicker with two turns than with half a one: it hurries only
 * where the bleeder is the narrowest place of its line.
 *
 * @returns undefined where a foot drives it, nothing is open, or a unit's own passages stand in the way
 */
export function opensFurther(state: Running): Opening | undefined {
  const { run, planned } = state
  const stageRun = currentStage(run)
  const point = openPoint(run)
  if (!stageRun?.stage.technique || point === undefined || !planned) return undefined
  const technique = techniqueOf(stageRun.stage.technique)
  const seen = { state, stageRun, technique, point, progress: stageRun.at[point] ?? freshPoint() }
  if (behindUnit(seen)) return undefined
  const here = expectedMlPerMin(seen, point)
  const wide = expectedMlPerMin(seen, point, WIDE_OPEN)
  if (here === undefined || wide === undefined || !(here > 0)) return undefined
  return { mlPerMin: here, morePct: Math.round(100 * (wide / here - 1)) }
}
