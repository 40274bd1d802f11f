import { z } from 'zod'
import { fact } from '../../base/decision'
import { mayWatch, watchBottle } from '../bottles'
import { type EventKind, onRun, refuseOnRun } from './kind'
import { short, stamp } from './stamp'

export const bottleWatchedSchema = z.object({ ...stamp, type: z.literal('bottle-watched'), point: short })

/** Another bottle that runs is taken in hand; the one that was runs on. */
export const bottleWatched: EventKind<z.output<typeof bottleWatchedSchema>> = {
  type: 'bottle-watched',
  schema: bottleWatchedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  refuse: refuseOnRun((state, { point }) =>
    mayWatch(state.run, point) ? undefined : fact('no-bottle-runs', { point }),
  ),
  apply: onRun((state, { point }) => watchBottle(state, point)),
}
