import { z } from 'zod'
import { withRun } from '../copies'
import { type EventKind, neverRefused, onRun } from './kind'
import { short, stamp } from './stamp'

export const timerStartedSchema = z.object({ ...stamp, type: z.literal('timer-started'), timer: short })

/** The clock of something that is held or waited for. */
export const timerStarted: EventKind<z.output<typeof timerStartedSchema>> = {
  type: 'timer-started',
  schema: timerStartedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  aside: true,
  needs: 'plate',
  refuse: neverRefused,
  apply: onRun((state, { timer, at }) =>
    withRun(state, { ...state.run, timers: { ...state.run.timers, [timer]: at } }),
  ),
}
