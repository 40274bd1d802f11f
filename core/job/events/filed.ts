import { z } from 'zod'
import { fact } from '../../base/decision'
import { takenReadingSchema } from '../../fluid/readings'
import { filingRefusal, outcomes } from '../filing'
import { followUpsFrom } from '../follow-ups'
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
  /** The day on which it was filed where the shop is. */
  on: z.iso.date().optional(),
  /** What is looked at again once it has left, by the rules of that day. */
  followUps: z
    .array(z.object({ id: short, dueOn: z.iso.date() }))
    .max(40)
    .optional(),
  /** What fitted, for whoever does this vehicle next. */
  fitted: z
    .object({
      spannersMm: z.record(short, z.number().positive().max(60)).optional(),
      capAdapter: short.optional(),
      benchThread: short.optional(),
      /** Which tool worked the control unit; of earlier versions with what of its words misled. */
      scanTool: short.optional(),
      /** Where its menus had the routine, and which of its words misled. */
      toolMenu: short.optional(),
      misled: short.optional(),
      /** How long the routine took each time, in minutes. */
      routineMin: z
        .number()
        .int()
        .min(1)
        .max(24 * 60)
        .optional(),
    })
    .optional(),
})

type Filed = z.output<typeof filedSchema>

/** Filing freezes the record. */
export const filed: EventKind<Filed> = {
  type: 'filed',
  schema: filedSchema,
  version: 2,
  // The first promised no looks after it had left.
  upcasts: [(old) => old],
  madeAt: 'desk',
  undo: false,
  whileParked: true,
  refuse(state, event) {
    if (event.checkedBy && event.checkedBy.id === event.by?.id) return fact('checked-by-same')
    if (event.outcome === 'declined' && event.note.trim() === '') return fact('note-missing')
    return filingRefusal(state, event.outcome)
  },
  complete(state, { followUps: _sent, ...event }) {
    const day = event.on ?? event.at.slice(0, 10)
    return event.outcome === 'fit' ? { ...event, followUps: followUpsFrom(state, day) } : event
  },
  apply: (state, event) => ({ ...state, filed: event }),
}
