import { z } from 'zod'
import { advance } from '../advance'
import { type EventKind, neverRefused, onRun } from './kind'
import { stamp } from './stamp'

export const plateConfirmedSchema = z.object({ ...stamp, type: z.literal('plate-confirmed') })

/** The plate was compared: from here on hands are on the vehicle. */
export const plateConfirmed: EventKind<z.output<typeof plateConfirmedSchema>> = {
  type: 'plate-confirmed',
  schema: plateConfirmedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: false,
  needs: 'plan',
  refuse: neverRefused,
  apply: onRun((state) => advance(state, { ...state.run, plateConfirmed: true })),
}
