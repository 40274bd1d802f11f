import { z } from 'zod'
import { fact } from '../../base/decision'
import { withRun } from '../copies'
import { currentStage, isFed } from '../points'
import { type EventKind, onRun, refuseOnRun } from './kind'
import { ml, stamp } from './stamp'

export const tankReadSchema = z.object({ ...stamp, type: z.literal('tank-read'), ml })

/** What stands in the machine's own tank, after it was filled or looked at. */
export const tankRead: EventKind<z.output<typeof tankReadSchema>> = {
  type: 'tank-read',
  schema: tankReadSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  refuse: refuseOnRun(({ run }) => {
    const stageRun = currentStage(run)
    return stageRun && isFed(run, stageRun.stage) ? undefined : fact('no-tank')
  }),
  apply: onRun((state, { ml: tankMl }) => withRun(state, { ...state.run, tankMl })),
}
