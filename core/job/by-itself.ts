import { type CallMove, callStep } from '../technique/calls'
import { pourSoon } from './levels'
import { lookFirst } from './looks'
import {
  callOf,
  currentPoint,
  currentStage,
  freshPoint,
  lookOwed,
  placeUnderWork,
  pointWants,
} from './points'
import type { JobState } from './state'

/**
 * The act of the call that follows by itself from what has just happened, so that nobody with a spanner in the hand
 * calls what everybody waits for: the next press once the pedal is up and what was awaited is done, or the press at a
 * joint that was just opened for it. It is judged like any other act.
 *
 * Nothing follows where the call did not go its usual way: after a slip, an undo, something in between, or where fluid
 * is to be poured first.
 *
 * @returns undefined where somebody has to call it
 */
export function followsByItself(before: JobState, after: JobState): CallMove | undefined {
  const { run } = after
  const stageRun = run && currentStage(run)
  const point = run && currentPoint(run)
  if (!run || !stageRun || point === undefined || after.parked || after.filed) return undefined
  if (!wentOn(before, after, point)) return undefined
  const progress = stageRun.at[point] ?? freshPoint()
  if (lookFirst({ ...after, run }) || !progress.ready) return undefined
  if (run.call === 'rest' && (pointWants(after.vehicle, stageRun, point).done || pourSoon(after)))
    return undefined
  return callStep(callOf(stageRun.stage), run.call)?.next.find(({ byItself }) => byItself)
}

/** Whether a pull at this joint ended as it should, was looked at, or the joint was opened for the next one. */
function wentOn(before: JobState, after: JobState, point: string): boolean {
  const [was, is] = [before.run, after.run]
  if (!was || !is || currentPoint(was) !== point || actsBetween(before, after) !== 1) return false
  if (after.troubles.length !== before.troubles.length || airAt(before, point) !== airAt(after, point))
    return false
  if (is.call === 'rest') return was.call === 'closed' || (was.call === 'rest' && wasAwaited(before))
  return is.call === 'opened' && was.call === 'rest'
}

/** What a technician at the wheel has just said is done: the look, the pouring, or the hose at a new bleeder. */
function wasAwaited(before: JobState): boolean {
  const { run } = before
  if (!run) return false
  return lookOwed(run) || pourSoon(before) !== undefined || placeUnderWork(run)?.ready !== true
}

/** Acts from one state to a later one; what the scale under the bottle wrote down by itself is none. */
export const actsBetween = (before: JobState, after: JobState): number =>
  after.length - before.length - ((after.run?.weighed?.times ?? 0) - (before.run?.weighed?.times ?? 0))

const airAt = ({ run }: JobState, point: string) => (run && currentStage(run)?.at[point]?.airDrawn) ?? 0
