import { z } from 'zod'
import { fact } from '../../base/decision'
import type { EventKind } from './kind'
import { note, stamp } from './stamp'

export const addendumSchema = z.object({
  ...stamp,
  type: z.literal('addendum'),
  text: note.min(1, 'say what is to be added'),
})
type Addendum = z.output<typeof addendumSchema>

/** What is added to a record once it is frozen. */
export const addendum: EventKind<Addendum> = {
  type: 'addendum',
  schema: addendumSchema,
  version: 1,
  upcasts: [],
  madeAt: 'desk',
  undo: false,
  onceFiled: true,
  refuse: ({ filed }) => (filed ? undefined : fact('not-filed')),
  apply: (state, event) => ({ ...state, addenda: [...state.addenda, event] }),
}
