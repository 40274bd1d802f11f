import { z } from 'zod'
import { withRun } from '../copies'
import { pullsUnseen } from '../looks'
import { type EventKind, onRun } from './kind'
import { stamp } from './stamp'

export const bottleEmptiedSchema = z.object({ ...stamp, type: z.literal('bottle-emptied') })

/** The catch bottle was emptied: its marks count from nothing again. */
export const bottleEmptied: EventKind<z.output<typeof bottleEmptiedSchema>> = {
  type: 'bottle-emptied',
  schema: bottleEmptiedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  refuse: pullsUnseen,
  apply: onRun((state) => withRun(state, { ...state.run, bottleMl: 0 })),
}
