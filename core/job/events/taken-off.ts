import { z } from 'zod'
import { fact } from '../../base/decision'
import { offKinds, waitsFor } from '../off-things'
import { passedFrom, withoutProofs } from '../proofs/voids'
import type { EventKind } from './kind'
import { short, stamp } from './stamp'

export const takenOffSchema = z.object({
  ...stamp,
  type: z.literal('taken-off'),
  thing: short,
  /** Where it belongs, in the words of whoever took it off. */
  where: short,
  /** What had been proved and says that nothing is off, or rests on that. Worked out when it came off. */
  voids: z.array(short).max(100).optional(),
})
type TakenOff = z.output<typeof takenOffSchema>

/** Something came off to get at the brakes: it is on the list until it is back. */
export const takenOff: EventKind<TakenOff> = {
  type: 'taken-off',
  schema: takenOffSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  refuse: (_, { thing }) => (offKinds.includes(thing) ? undefined : fact('no-such-thing')),
  complete(state, { voids: _sent, ...event }) {
    const voids =
      waitsFor(event, state) === undefined ? passedFrom(state, ({ allBack }) => allBack === true) : []
    return { ...event, ...(voids.length > 0 && { voids }) }
  },
  apply: (state, { id, thing, where, voids = [] }) => ({
    ...state,
    proofs: withoutProofs(state.proofs, voids),
    offThings: [...(state.offThings ?? []), { id, thing, where, back: false }],
  }),
}
