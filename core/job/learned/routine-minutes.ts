import { secondsBetween } from '../../base/day'
import { ROUTINE_BEGINS, ROUTINE_ENDS } from '../../technique/step'
import type { Step } from '../apply'
import type { RunState } from '../state'

const has = (steps: readonly { id: string }[], id: string) => steps.some((step) => step.id === id)

/** The stage at which the routine began that is being run; undefined where none is, a bleed between two of them among that. */
function begunAt({ stages, stageIndex }: RunState): number | undefined {
  const reached = stages.slice(0, stageIndex + 1)
  const first = reached.findLastIndex(({ stage }) => has(stage.before, ROUTINE_BEGINS))
  const ended = reached.slice(Math.max(0, first), -1).some(({ stage }) => has(stage.after, ROUTINE_ENDS))
  return first < 0 || ended || stageIndex >= stages.length ? undefined : first
}

/**
 * How many minutes a control unit's routine took, each time that it was run: from the end of what came before it to its
 * own end, with what a foot bled in its midst. The time that the job stood parked is left out. What was taken back and
 * done again took its time too.
 *
 * @returns whole minutes, 1 or more, the mean of all times it was run; undefined where none was
 */
export function routineMinutes(log: Iterable<Step>): number | undefined {
  const runs = new Set<number>()
  let seconds = 0
  let since: string | undefined
  for (const { event, after } of log) {
    // A clock that was set back in between says nothing of how long it took.
    if (since !== undefined) seconds += Math.max(0, secondsBetween(since, event.at))
    const begun = after.run && !after.parked ? begunAt(after.run) : undefined
    since = begun === undefined ? undefined : event.at
    if (begun !== undefined) runs.add(begun)
  }
  return runs.size === 0 ? undefined : Math.max(1, Math.round(seconds / 60 / runs.size))
}
