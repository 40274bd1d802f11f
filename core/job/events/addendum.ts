import { z } from 'zod'
import { fact } from '../../base/decision'
import { followUpsOf } from '../follow-ups'
import type { EventKind } from './kind'
import { note, short, stamp } from './stamp'

export const addendumSchema = z.object({
  ...stamp,
  type: z.literal('addendum'),
  text: note.min(1, 'say what is to be added'),
  /** What was looked at again after it had left, and whether it was good. */
  followUp: z.object({ id: short, good: z.boolean() }).optional(),
})
type Addendum = z.output<typeof addendumSchema>

/** What is added to a record once it is frozen. */
export const addendum: EventKind<Addendum> = {
  type: 'addendum',
  schema: addendumSchema,
  version: 2,
  // The first knew of no looks after it had left.
  upcasts: [(old) => old],
  madeAt: 'desk',
  undo: false,
  onceFiled: true,
  refuse(state, { followUp }) {
    if (!state.filed) return fact('not-filed')
    const owed = followUp === undefined || followUpsOf(state).some(({ id }) => id === followUp.id)
    return owed ? undefined : fact('no-such-follow-up')
  },
  apply: (state, event) => ({ ...state, addenda: [...state.addenda, event] }),
}
