import { z } from 'zod'
import { fact } from '../../base/decision'
import { changePoint, placeNow } from '../place'
import { type EventKind, onRun, refuseOnRun } from './kind'
import { short, stamp } from './stamp'

export const pointReadySchema = z.object({ ...stamp, type: z.literal('point-ready'), point: short })

/** Spanner and hose are on. */
export const pointReady: EventKind<z.output<typeof pointReadySchema>> = {
  type: 'point-ready',
  schema: pointReadySchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  movesFluid: true,
  refuse: refuseOnRun((state, event) => {
    const here = placeNow(state)
    if ('refusal' in here) return here.refusal
    if (event.point !== here.point) return fact('other-point', { point: here.point })
    return state.run.call === 'rest' ? undefined : fact('call-under-way-here')
  }),
  apply: onRun((state, { point }) =>
    changePoint(state, point, (progress) => ({ ...progress, ready: true, trouble: undefined })),
  ),
}
