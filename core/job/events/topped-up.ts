import { z } from 'zod'
import { fact } from '../../base/decision'
import { reservoirFact } from '../../vehicle/parts'
import { withRun } from '../copies'
import { noSuchReservoir, portsBare, pourInto, reservoirNamed } from '../levels'
import { pullsUnseen } from '../looks'
import { type EventKind, onRun } from './kind'
import { ml, short, stamp } from './stamp'

export const toppedUpSchema = z.object({ ...stamp, type: z.literal('topped-up'), reservoir: short, ml })

/** Poured until it stood at MAX: what the eye sees stands against what was counted. */
export const toppedUp: EventKind<z.output<typeof toppedUpSchema>> = {
  type: 'topped-up',
  schema: toppedUpSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  refuse: (state, event) =>
    noSuchReservoir(state, event) ??
    pullsUnseen(state) ??
    (state.run && portsBare(state.vehicle, state.run, event.reservoir)
      ? fact('ports-bare', { reservoir: reservoirFact(state.vehicle, event.reservoir) })
      : undefined),
  apply: onRun((state, event) => {
    const reservoir = reservoirNamed(state, event.reservoir)
    return reservoir ? withRun(state, pourInto(state.run, reservoir.id, event.ml, reservoir.maxMl)) : state
  }),
}
