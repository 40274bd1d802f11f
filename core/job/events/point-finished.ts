import { z } from 'zod'
import { fact } from '../../base/decision'
import { advance } from '../advance'
import { changePoint, placeNow } from '../place'
import { lookOwed, pointWants } from '../points'
import { type EventKind, isRunning, onRun, refuseOnRun } from './kind'
import { short, stamp } from './stamp'

export const pointFinishedSchema = z.object({ ...stamp, type: z.literal('point-finished'), point: short })

/** Everything this place wanted has come. */
export const pointFinished: EventKind<z.output<typeof pointFinishedSchema>> = {
  type: 'point-finished',
  schema: pointFinishedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  refuse: refuseOnRun((state, event) => {
    const here = placeNow(state)
    if ('refusal' in here) return here.refusal
    const { point, progress, stageRun } = here
    if (event.point !== point) return fact('other-point', { point })
    if (!progress.ready) return fact('point-not-ready')
    if (state.run.call !== 'rest' || lookOwed(state.run)) return fact('close-and-look-first')
    const wants = pointWants(state.vehicle, stageRun, point)
    return wants.done
      ? undefined
      : fact('point-not-done', {
          leftMl: Math.ceil(wants.wantsMl),
          clean: wants.wantsClean,
          settling: wants.wantsSettling,
        })
  }),
  apply: onRun((state, { point }) => {
    const next = changePoint(state, point, (progress) => ({
      ...progress,
      finished: true,
      doubtful: undefined,
    }))
    return isRunning(next) ? advance(next, next.run) : next
  }),
}
