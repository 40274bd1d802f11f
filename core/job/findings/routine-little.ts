import { fact } from '../../base/decision'
import type { Watcher } from './watch'

/** Of what its routine was reckoned to bring, less than this share came. @source from memory */
const LITTLE_SHARE = 0.5

/** The routine that ended just now brought far less than was reckoned: a base bleed after it would hide that. */
export const routineLittle: Watcher = ({ state: { run }, stageRun, progress }) => {
  const before = run.stages[run.stages.indexOf(stageRun) - 1]
  if (before?.stage.kind !== 'control-unit' || before.points.length === 0) return undefined
  const begins = progress.ml === 0 && stageRun.points.every((id) => !stageRun.at[id]?.finished)
  const { outMl } = before.tally
  const reckonedMl = before.stage.ml
  if (!begins || outMl >= LITTLE_SHARE * reckonedMl) return undefined
  const looks = ['hose-end', 'routine-offered', 'routine-again']
  return {
    ...fact('routine-little', { outMl, reckonedMl }),
    checks: looks.map((each) => fact(`look-${each}`)),
  }
}
