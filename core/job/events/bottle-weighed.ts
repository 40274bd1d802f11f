import { z } from 'zod'
import { fact } from '../../base/decision'
import { weighable, weighBottle, weighsBare, weighsShort } from '../weighed'
import { type EventKind, isRunning, onRun, refuseOnRun } from './kind'
import { ml, stamp } from './stamp'

export const bottleWeighedSchema = z.object({
  ...stamp,
  type: z.literal('bottle-weighed'),
  /** What came into the bottle since it was weighed or looked at last, by a scale under it. */
  ml,
  /** How often this bleed was weighed before: of two screens at one scale, only one counts it. */
  weighings: z.int().min(0).max(1e6),
  /** By count it left a port of the reservoir bare: its level is looked at before anything else. Worked out. */
  bare: z.literal(true).optional(),
  /** Much less than so many pulls should bring: what stands in the way is looked at. Worked out. */
  short: z.literal(true).optional(),
})

/** The scale under the catch bottle told what came, at an open bleeder or after pulls that nobody looked at. */
export const bottleWeighed: EventKind<z.output<typeof bottleWeighedSchema>> = {
  type: 'bottle-weighed',
  schema: bottleWeighedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: 'along',
  needs: 'plate',
  refuse: refuseOnRun((state, { weighings }) => {
    if (weighings !== (state.run.weighed?.times ?? 0)) return fact('weighed-meanwhile')
    return weighable(state) ? undefined : fact('nothing-to-weigh')
  }),
  complete(state, { bare: _bare, short: _short, ...event }) {
    if (!isRunning(state)) return event
    return {
      ...event,
      ...(weighsBare(state, event.ml) && { bare: true as const }),
      ...(weighsShort(state, event.ml) && { short: true as const }),
    }
  },
  apply: onRun((state, event) => weighBottle(state, event)),
}
