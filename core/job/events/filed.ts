import { z } from 'zod'
import { fact } from '../../base/decision'
import { takenReadingSchema } from '../../fluid/readings'
import { filingRefusal, outcomes } from '../filing'
import type { EventKind } from './kind'
import { ml, note, person, short, stamp } from './stamp'

export const filedSchema = z.object({
  ...stamp,
  type: z.literal('filed'),
  outcome: z.enum(outcomes),
  doneBy: short.min(1),
  /** Another person, who gave their own PIN; absent where nobody checked. */
  checkedBy: person.optional(),
  note,
  wasteMl: ml,
  nextDue: z.iso.date().optional(),
  /** Of the fluid that is in it now, for the record. */
  readingAfter: takenReadingSchema.optional(),
  /** Somebody set it otherwise than the shop's policy would. */
  nextDueByHand: z.boolean().optional(),
  /** What fitted, for whoever does this vehicle next. */
  fitted: z
    .object({
      spannersMm: z.record(short, z.number().positive().max(60)).optional(),
      capAdapter: short.optional(),
      benchThread: short.optional(),
    })
    .optional(),
})

/** Filing freezes the record. */
export const filed: EventKind<z.output<typeof filedSchema>> = {
  type: 'filed',
  schema: filedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'desk',
  undo: false,
  whileParked: true,
  refuse(state, event) {
    if (event.checkedBy && event.checkedBy.id === event.by?.id) return fact('checked-by-same')
    if (event.outcome === 'declined' && event.note.trim() === '') return fact('note-missing')
    return filingRefusal(state, event.outcome)
  },
  apply: (state, event) => ({ ...state, filed: event }),
}
