import { z } from 'zod'
import { parkingRefusal, parkJob } from '../parking'
import type { EventKind } from './kind'
import { note, short, stamp } from './stamp'

export const parkedSchema = z.object({
  ...stamp,
  type: z.literal('parked'),
  why: note.min(1, 'say why'),
  /** Points that stand open. */
  standsOpen: z.array(short).max(20),
  machineOn: z.boolean(),
  pedalPropped: z.boolean(),
  /** The lever is tied to its grip overnight, every joint shut, so that small bubbles rise. */
  leverTied: z.boolean().optional(),
  note,
})

/** Left for now. How it stands is looked at by whoever goes on: taking the parking back would pass that over. */
export const parked: EventKind<z.output<typeof parkedSchema>> = {
  type: 'parked',
  schema: parkedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: false,
  aside: true,
  refuse: parkingRefusal,
  apply: parkJob,
}
