import { z } from 'zod'
import { fact } from '../../base/decision'
import { offKinds } from '../off-things'
import type { EventKind } from './kind'
import { short, stamp } from './stamp'

export const takenOffSchema = z.object({
  ...stamp,
  type: z.literal('taken-off'),
  thing: short,
  /** Where it belongs, in the words of whoever took it off. */
  where: short,
})

/** Something came off to get at the brakes: it is on the list until it is back. */
export const takenOff: EventKind<z.output<typeof takenOffSchema>> = {
  type: 'taken-off',
  schema: takenOffSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  refuse: (_, { thing }) => (offKinds.includes(thing) ? undefined : fact('no-such-thing')),
  apply: (state, { id, thing, where }) => ({
    ...state,
    offThings: [...(state.offThings ?? []), { id, thing, where, back: false }],
  }),
}
