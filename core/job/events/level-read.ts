import { z } from 'zod'
import { withRun } from '../copies'
import { noSuchReservoir, pourInto } from '../levels'
import { pullsUnseen } from '../looks'
import { withOldAt } from '../old-fluid'
import { type EventKind, onRun } from './kind'
import { ml, short, stamp } from './stamp'

export const levelReadSchema = z.object({ ...stamp, type: z.literal('level-read'), reservoir: short, ml })

/** A level was looked at: what is seen stands against what was counted. */
export const levelRead: EventKind<z.output<typeof levelReadSchema>> = {
  type: 'level-read',
  schema: levelReadSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  refuse: (state, event) => noSuchReservoir(state, event) ?? pullsUnseen(state),
  apply: onRun((state, { reservoir, ml: seenMl }) =>
    withRun(state, pourInto(withOldAt(state.run, reservoir, seenMl), reservoir, 0, seenMl)),
  ),
}
