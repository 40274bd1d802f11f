import { secondsBetween } from '../base/day'
import { techniqueOf } from '../technique'
import type { Running } from './events/kind'
import { expectedMlPerMin } from './findings/driving'
import { takeFrom, withLevelsUnknown } from './levels'
import { currentStage, freshPoint, isFed, reservoirOfPoint } from './points'
import type { RunState } from './state'

/** A bottle may run so much faster than its line predicts: the level is counted on the safe side. @source from memory */
const RUNS_FASTER = 1.2

/**
 * What bottles that run elsewhere are taken to have passed since they were counted last, mL by bleeder: nobody looks at
 * four at once, and the reservoir sinks by all of them.
 */
export function othersPass(state: Running, at: string): Record<string, number> {
  const { run } = state
  const stageRun = currentStage(run)
  if (!stageRun?.stage.technique || isFed(run, stageRun.stage)) return {}
  const technique = techniqueOf(stageRun.stage.technique)
  // As they run together now, whatever company each was timed in before.
  const together = { state, technique, stageRun: { ...stageRun, at: {} } }
  return Object.fromEntries(
    (run.hung ?? []).flatMap(({ point, since }) => {
      const seconds = since === undefined ? 0 : secondsBetween(since, at)
      const mlPerMin = expectedMlPerMin(together, point)
      if (mlPerMin === undefined || !(seconds > 0)) return []
      return [[point, Math.min(20_000, Math.round((RUNS_FASTER * mlPerMin * seconds) / 6) / 10)]]
    }),
  )
}

/** Counted by what they are taken to have passed, until each is looked at. */
export function withOthersPassed(
  { vehicle }: Running,
  run: RunState,
  others: Readonly<Record<string, number>>,
  at: string,
): RunState {
  const stageRun = currentStage(run)
  if (!stageRun || Object.keys(others).length === 0) return run
  const places = Object.entries(others).map(([point, ml]) => {
    const progress = stageRun.at[point] ?? freshPoint()
    return [point, { ...progress, countedMl: (progress.countedMl ?? 0) + ml }]
  })
  const counted = { ...stageRun, at: { ...stageRun.at, ...Object.fromEntries(places) } }
  const next: RunState = {
    ...run,
    stages: run.stages.map((each, i) => (i === run.stageIndex ? counted : each)),
    hung: run.hung?.map((each) => ({ ...each, since: at })),
  }
  return Object.entries(others).reduce((now, [point, ml]) => {
    const reservoir = reservoirOfPoint(vehicle, point)
    const levelMl = reservoir === undefined ? undefined : now.levelMl[reservoir]
    // Less than nothing is in none: whether it is empty somebody looks.
    return reservoir !== undefined && levelMl !== undefined && levelMl < ml
      ? withLevelsUnknown(now, [reservoir])
      : takeFrom(now, reservoir, ml)
  }, next)
}
