import { z } from 'zod'
import { mendFirst, startAgain, withLeakCheck } from '../change'
import { callOf, currentStage } from '../points'
import type { RunState } from '../state'
import { atWheel, pressureOff } from './parts'
import { cannot, idField, type Trouble } from './trouble'

/** Snapped or stripped: the joint counts as open until somebody says that it is shut, and the brake takes in air. */
function brokenBleeder<S extends z.ZodType<{ point: string }>>(
  schema: S,
  what: 'snapped' | 'stripped',
  title: string,
  says: string,
): Trouble<S> {
  return {
    title,
    schema,
    happened(state, { point }, id) {
      const { run } = state
      const known = run.stages.slice(0, run.stageIndex + 1).some(({ at }) => at[point])
      if (!known) return cannot('not-under-way', 'That bleeder has not been worked at.')
      if (run.callAt !== undefined && run.callAt !== point)
        return cannot('call-under-way', `Bring ${run.callAt} to its end first: close it.`)
      const stageRun = currentStage(run)
      const states = stageRun && callOf(stageRun.stage).states
      // With a foot or a vacuum on it, a broken bleeder is an open one: it is shut by its own act before anything is let go.
      const counts = run.call !== 'rest' && run.call !== 'closed' && run.call !== 'slipped' && states?.open
      const again = startAgain({ ...run, call: counts ? 'open' : run.call }, [point])
      const off = pressureOff(marked(again, point, what))
      const changed = mendFirst(withLeakCheck(off.run), id, [
        ...off.steps,
        atWheel(
          `${id}-fitted`,
          `Bleeder ${point} ${says}: new bleeder, or the part it broke in, fitted and tight.`,
          'Bleeders and hollow bolts shear: the maker’s torque, new sealing washers. Plug it while you fetch one.',
        ),
      ])
      const text = `Bleeder ${point} ${says}. Its brake is opened to mend it and takes in air, so it starts again. A leak check comes before the proof.`
      return { state: { ...state, proofs: {}, run: changed }, text, startAgain: [point] }
    },
  }
}

const marked = (run: RunState, point: string, trouble: 'snapped' | 'stripped'): RunState => ({
  ...run,
  stages: run.stages.map((stageRun, i) => {
    const progress = stageRun.at[point]
    return i === run.stageIndex && progress
      ? { ...stageRun, at: { ...stageRun.at, [point]: { ...progress, trouble } } }
      : stageRun
  }),
})

export const snappedSaid = z.object({ what: z.literal('snapped'), point: idField })
export const strippedSaid = z.object({ what: z.literal('stripped'), point: idField })

export const snapped: Trouble<typeof snappedSaid> = brokenBleeder(
  snappedSaid,
  'snapped',
  'Bleeder snapped',
  'snapped',
)
export const stripped: Trouble<typeof strippedSaid> = brokenBleeder(
  strippedSaid,
  'stripped',
  'Bleeder stripped, will not close',
  'is stripped',
)
