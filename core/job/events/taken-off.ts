import { z } from 'zod'
import { fact } from '../../base/decision'
import { awaySchema, offKinds, opensHydraulics, waitsFor } from '../off-things'
import { passedFrom, withoutProofs } from '../proofs/voids'
import { allOpen } from '../standing'
import type { EventKind } from './kind'
import { short, stamp } from './stamp'

export const takenOffSchema = z.object({
  ...stamp,
  type: z.literal('taken-off'),
  thing: short,
  /** Where it belongs, in the words of whoever took it off. */
  where: short,
  /** It has left the shop. */
  away: awaySchema.optional(),
  /** Every port that it leaves open is capped. */
  capped: z.literal(true).optional(),
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
  refuse(state, { thing, capped }) {
    if (!offKinds.includes(thing)) return fact('no-such-thing')
    if (!opensHydraulics(thing)) return undefined
    if (allOpen(state).length > 0 || (state.run && state.run.call !== 'rest')) return fact('off-while-open')
    return capped ? undefined : fact('ports-not-capped')
  },
  complete(state, { voids: _sent, ...event }) {
    const voids =
      waitsFor(event, state) === undefined ? passedFrom(state, ({ allBack }) => allBack === true) : []
    return { ...event, ...(voids.length > 0 && { voids }) }
  },
  apply: (state, { id, thing, where, away, voids = [] }) => ({
    ...state,
    proofs: withoutProofs(state.proofs, voids),
    offThings: [...(state.offThings ?? []), { id, thing, where, back: false, ...(away && { away }) }],
  }),
}
