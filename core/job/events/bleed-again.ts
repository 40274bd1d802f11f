import { z } from 'zod'
import { fact } from '../../base/decision'
import { stageTraits } from '../../plan/stage-kinds'
import { stageAgain, withSetUpsAgain } from '../change'
import { proofsVoid } from '../joints'
import { bleedDone } from '../selectors'
import type { RunState } from '../state'
import { type EventKind, onRun } from './kind'
import { note, stamp } from './stamp'

export const bleedAgainSchema = z.object({
  ...stamp,
  type: z.literal('bleed-again'),
  why: note.min(1, 'say why'),
})

/** Where joints are opened first: the cylinder in place, or a bleeder. What is done in the vice stays done. */
const firstOpening = ({ stages }: RunState) =>
  stages.findIndex(
    ({ points, stage }) => points.length > 0 && stageTraits[stage.kind].worksAt !== 'cylinders',
  )

/**
 * Back to where something is opened first, with everything after it to be done again, and before it what was set up
 * and is taken away by now; what was proved counts no more.
 */
export const bleedAgain: EventKind<z.output<typeof bleedAgainSchema>> = {
  type: 'bleed-again',
  schema: bleedAgainSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: false,
  refuse(state) {
    const { run } = state
    if (!run || !bleedDone(state)) return fact('still-bleeding')
    return firstOpening(run) < 0 ? fact('no-bleed-stage') : undefined
  },
  apply: onRun((state, { why }) => {
    const { run } = state
    const from = Math.max(0, firstOpening(run))
    const stages = run.stages.map((stageRun, i) => (i < from ? stageRun : stageAgain(stageRun)))
    return {
      ...state,
      ...proofsVoid(state),
      bleedAgainWhy: [...state.bleedAgainWhy, why],
      run: withSetUpsAgain(
        { ...run, stages, stageIndex: from, call: 'rest', callAt: undefined, lookDue: false, timers: {} },
        from,
        run,
      ),
    }
  }),
}
