import type { Running } from './events/kind'
import { usualPullMl, watchAt } from './levels'
import { bringsItsAir } from './looks'
import {
  callOf,
  cleanPullsWanted,
  currentPoint,
  currentStage,
  isFed,
  looksAfterPull,
  pointOf,
  pointWants,
} from './points'
import type { JobState } from './state'

/** How far an open bleeder runs on before a look decides something, and whether the reservoir is what ends it. */
export type RunsOn = { ml: number; nearMin: boolean }

/**
 * How much may run at the open bleeder in hand before somebody looks: a little at first and while bubbles go on, then
 * until the clean end is near, then its end; and never as far as the reservoir's MIN.
 *
 * @returns mL, 0 where somebody looks now; undefined where pulls are looked at one by one, or what comes is not measured
 */
export function runsOn(state: Pick<JobState, 'vehicle' | 'run'>): RunsOn | undefined {
  const { vehicle, run } = state
  const stageRun = run && currentStage(run)
  const point = run && currentPoint(run)
  if (!run || !stageRun || point === undefined || run.call !== 'open') return undefined
  if (looksAfterPull(stageRun.stage) || !callOf(stageRun.stage).looks.ml) return undefined
  const one = usualPullMl(vehicle, point)
  const { wantsMl: wantsNowMl, wantsClean } = pointWants(vehicle, stageRun, point)
  const progress = pointOf(stageRun, point)
  // Reckoned from the last look on: what a scale told meanwhile brings its mark nearer, and does not move it.
  const sinceMl = progress?.weighedMl ?? 0
  const wantsMl = wantsNowMl > 0 ? wantsNowMl + sinceMl : 0
  const endMl = cleanPullsWanted(vehicle, stageRun.stage) * one
  const nearEnd = wantsMl - endMl
  const settled = progress?.bubbles === 'none' || (progress !== undefined && bringsItsAir(progress))
  const fromLookMl = !settled ? endMl : nearEnd > endMl ? nearEnd : Math.max(wantsMl, wantsClean * one, one)
  const wanted = Math.max(0, fromLookMl - sinceMl)
  if (isFed(run, stageRun.stage)) return { ml: wanted, nearMin: false }
  const watch = watchAt({ vehicle, run }, point)
  const bottles = 1 + (run.hung?.length ?? 0)
  const roomMl = Math.max(one, ((watch?.aboveMinMl ?? wanted + one) - one) / bottles)
  return roomMl < wanted ? { ml: roomMl, nearMin: true } : { ml: wanted, nearMin: false }
}

/** How many clean pulls a look at an open bleeder is worth: by its volume, where the one before was clean too. */
export function worthPulls({ vehicle, run }: Running, point: string, ml: number, wasClean: boolean): number {
  const stageRun = currentStage(run)
  if (!stageRun || !wasClean) return 1
  const most = cleanPullsWanted(vehicle, stageRun.stage)
  return Math.min(most, Math.max(1, Math.floor(ml / usualPullMl(vehicle, point))))
}
