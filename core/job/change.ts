import type { Stage } from '../plan/answer'
import { setsUp, takesAway } from '../technique/standing'
import type { Step } from '../technique/step'
import { countAgain, freshPoint } from './points'
import type { Mend, PointRun, RunState, StageRunState } from './state'
import { addTally, freshTally } from './tally'

/** What changes a plan under way. Each takes a run and gives the changed one; none forgets what was counted. */

export const startStage = (stage: Stage): StageRunState => ({
  stage,
  stepsDone: [],
  points: stage.points,
  at: Object.fromEntries(stage.points.map((id) => [id, freshPoint()])),
  tally: freshTally(),
})

/** A stage with everything to be done again; what moved stays counted. */
export const stageAgain = (stageRun: StageRunState): StageRunState => ({
  ...startStage(stageRun.stage),
  points: stageRun.points,
  tally: addTally(stageRun.tally, { unaccountedMl: countedOf(stageRun) }),
})

/** What bottles were taken to have passed and nobody will look at any more: gone, and in no bottle that is read. */
const countedOf = ({ at }: StageRunState): number =>
  Object.values(at).reduce((sum, { countedMl = 0 }) => sum + countedMl, 0)

/** Points finished so far, in any stage: in one ahead too, where the work went back from it. */
export function finishedPoints(run: RunState): string[] {
  const finished = run.stages.flatMap(({ at }) =>
    Object.entries(at).flatMap(([id, point]) => (point.finished ? id : [])),
  )
  return [...new Set(finished)]
}

type ChangePoint = (point: PointRun) => PointRun

/** A stage with some of its places changed. */
const withChanged = (
  stageRun: StageRunState,
  ids: readonly string[],
  change: ChangePoint,
): StageRunState => ({
  ...stageRun,
  at: Object.fromEntries(
    Object.entries(stageRun.at).map(([id, point]) => [id, ids.includes(id) ? change(point) : point]),
  ),
})

/** The run with what was done of these in stages ahead changed too: the work went back from there before. */
const changedAhead = (run: RunState, ids: readonly string[], change: ChangePoint): RunState => ({
  ...run,
  stages: run.stages.map((stageRun, i) =>
    i > run.stageIndex && ids.some((id) => stageRun.at[id]?.finished)
      ? withChanged(stageRun, ids, (point) => (point.finished ? change(point) : point))
      : stageRun,
  ),
})

/**
 * Change some points, each in the newest stage reached that works at it, and go back to the first of those stages: all
 * that comes after it comes again.
 */
function reopen(before: RunState, ids: readonly string[], change: ChangePoint): RunState {
  const run = changedAhead(before, ids, change)
  const reached = run.stages.slice(0, run.stageIndex + 1)
  const newest = ids
    .map((id) => reached.findLastIndex(({ points }) => points.includes(id)))
    .filter((i) => i >= 0)
  if (newest.length === 0) return run
  // What is done after the first of them is done again anyway.
  const back = Math.min(...newest)
  const stages = run.stages.map((stageRun, i): StageRunState => {
    if (i < back) return stageRun
    if (i > back && i <= run.stageIndex) return stageAgain(stageRun)
    if (i > back) return stageRun
    // Left behind once, its machine is off and its wheels may be on: what comes before the first bleeder comes again.
    // What comes after the last one comes again too, wherever it had got to.
    const stepsDone = back < run.stageIndex ? [] : upToFirst(stageRun)
    return { ...withChanged(stageRun, ids, change), stepsDone }
  })
  const again = { ...run, stages, stageIndex: back }
  return back < run.stageIndex ? withSetUpsAgain(again, back, run) : again
}

/**
 * Where work goes back to a stage, what an earlier one had set up and one from here on has taken away by then is set up
 * again. Those steps come first in the stage that begins again.
 *
 * @param before the run as it was, with what was done
 */
export function withSetUpsAgain(run: RunState, from: number, before: RunState): RunState {
  const takenAway = new Set(
    before.stages
      .slice(from)
      .flatMap(({ stage, stepsDone }) =>
        [...stage.before, ...stage.after].flatMap((step) =>
          stepsDone.includes(step.id) ? (takesAway(step) ?? []) : [],
        ),
      ),
  )
  const here = run.stages[from]
  if (!here) return run
  const own = new Set([...here.stage.before, ...here.stage.after].map(({ id }) => id))
  // What is set up and taken away before stands at neither end.
  const stood = new Map<string, Step>()
  for (const { stage } of run.stages.slice(0, from))
    for (const step of [...stage.before, ...stage.after]) {
      stood.delete(takesAway(step) ?? '')
      const thing = setsUp(step)
      if (thing !== undefined) stood.set(thing, step)
    }
  const missing = [...stood]
    .filter(([thing, step]) => takenAway.has(thing) && !own.has(step.id))
    .map(([, step]) => step)
  if (missing.length === 0) return run
  const stage = { ...here.stage, before: [...missing, ...here.stage.before] }
  return { ...run, stages: run.stages.map((each, i) => (i === from ? { ...here, stage } : each)) }
}

/** Points that must be bled anew, from nothing. Pulls made and air drawn in stay on their record. */
export const startAgain = (run: RunState, ids: readonly string[]): RunState =>
  reopen(run, ids, (point) => ({
    ...freshPoint(),
    pulls: point.pulls,
    airDrawn: point.airDrawn,
    trouble: point.trouble,
    // What stands in the bottle is written down all the same.
    ...(point.unseen && { unseen: { ...point.unseen, sinceAir: 0 } }),
    ...(point.countedMl && { countedMl: point.countedMl, countedSeenMl: point.countedSeenMl }),
  }))

/**
 * Finished places that air may have reached, each in the newest stage that works at it: clean pulls are wanted again,
 * their volume stays. The work stays where it is until it is at rest: `backToDoubtful` then brings it there.
 */
export function doubt(before: RunState, ids: readonly string[]): RunState {
  const run = changedAhead(before, ids, inDoubt)
  const left = new Set(ids)
  const stages = [...run.stages]
  for (let i = Math.min(run.stageIndex, stages.length - 1); i >= 0 && left.size > 0; i--) {
    const stageRun = stages[i]
    const here = stageRun?.points.filter((id) => left.has(id)) ?? []
    if (!stageRun || here.length === 0) continue
    for (const id of here) left.delete(id)
    stages[i] = { ...withChanged(stageRun, here, inDoubt), stepsDone: upToFirst(stageRun) }
  }
  return { ...run, stages }
}

/** One that is still to be finished in its newest stage gets its whole volume there: only its clean pulls count no more. */
const inDoubt: ChangePoint = (point) =>
  point.finished
    ? { ...point, ready: false, finished: false, cleanStreak: 0, doubtful: true }
    : { ...point, cleanStreak: 0 }

/** Of what was done in a stage, what comes before its first place: what follows the last one comes again. */
const upToFirst = ({ stage, stepsDone }: StageRunState): string[] => {
  const own = new Set(stage.before.map(({ id }) => id))
  return stepsDone.filter((id) => own.has(id))
}

/**
 * Work at rest goes back to the first stage that was left and has a doubtful place. Places done since stay done; what
 * is worked at no place, a unit's cycle or a leak check, comes again after it.
 */
export function backToDoubtful(run: RunState): RunState {
  const waits = ({ points, at }: StageRunState) => points.some((id) => at[id]?.doubtful && !at[id]?.finished)
  const back = run.stages.findIndex((stageRun, i) => i < run.stageIndex && waits(stageRun))
  if (back < 0) return run
  const stages = run.stages.map((stageRun, i): StageRunState => {
    if (i < back || i > run.stageIndex) return stageRun
    if (i === back) return { ...stageRun, stepsDone: [] }
    return stageRun.points.length === 0 ? stageAgain(stageRun) : { ...stageRun, at: allToPrepare(stageRun) }
  })
  return withSetUpsAgain({ ...run, stages, stageIndex: back, timers: {}, bottleMl: 0 }, back, run)
}

/** Every place of a stage that was left with work to do is prepared anew. */
const allToPrepare = ({ at }: StageRunState): StageRunState['at'] =>
  Object.fromEntries(
    Object.entries(at).map(([id, point]) => [id, point.finished ? point : { ...point, ready: false }]),
  )

/** Air was drawn in at a place: what may have come in has to come out again, and where it was done it is not. */
export const countAgainAt = (run: RunState, id: string, drawnInMl?: number): RunState =>
  reopen(run, [id], (point) => {
    const again = countAgain(point, drawnInMl)
    return point.finished ? { ...again, ready: false, finished: false, doubtful: undefined } : again
  })

/** Steps before everything else; none where there are none. */
export const mendFirst = (run: RunState, id: string, steps: Step[]): RunState =>
  steps.length === 0 ? run : { ...run, mends: [...run.mends, { id, steps, stepsDone: [] } satisfies Mend] }

/** A stage with one step to be done again. */
export const undoStep = (stageRun: StageRunState, step: string): StageRunState => ({
  ...stageRun,
  stepsDone: stageRun.stepsDone.filter((id) => id !== step),
})

/** A stage put in before the one at an index; the work goes on at it where that index is the present one. */
export function insertStage(run: RunState, index: number, stageRun: StageRunState): RunState {
  return { ...run, stages: [...run.stages.slice(0, index), stageRun, ...run.stages.slice(index)] }
}
