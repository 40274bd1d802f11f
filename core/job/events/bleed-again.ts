import { z } from 'zod'
import { fact } from '../../base/decision'
import { stageAgain } from '../change'
import { bleedDone } from '../selectors'
import type { RunState } from '../state'
import { type EventKind, onRun } from './kind'
import { note, stamp } from './stamp'

export const bleedAgainSchema = z.object({
  ...stamp,
  type: z.literal('bleed-again'),
  why: note.min(1, 'say why'),
})

const firstBleed = ({ stages }: RunState) => stages.findIndex(({ stage }) => stage.kind === 'bleed')

/** Back to the first bleed stage with everything after it to be done again; what was proved counts no more. */
export const bleedAgain: EventKind<z.output<typeof bleedAgainSchema>> = {
  type: 'bleed-again',
  schema: bleedAgainSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: false,
  refuse({ run }) {
    if (!run || !bleedDone(run)) return fact('still-bleeding')
    return firstBleed(run) < 0 ? fact('no-bleed-stage') : undefined
  },
  apply: onRun((state, { why }) => {
    const { run } = state
    const from = Math.max(0, firstBleed(run))
    const stages = run.stages.map((stageRun, i) => (i < from ? stageRun : stageAgain(stageRun)))
    return {
      ...state,
      proofs: {},
      bleedAgainWhy: [...state.bleedAgainWhy, why],
      run: { ...run, stages, stageIndex: from, call: 'rest', callAt: undefined, lookDue: false, timers: {} },
    }
  }),
}
