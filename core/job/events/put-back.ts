import { z } from 'zod'
import { fact } from '../../base/decision'
import { stillOff, waitsFor } from '../off-things'
import { proofFact } from '../proofs/checks'
import type { EventKind } from './kind'
import { short, stamp } from './stamp'

export const putBackSchema = z.object({
  ...stamp,
  type: z.literal('put-back'),
  /** The act that took it off. */
  off: short,
})

/** Something that came off is back where it belongs. */
export const putBack: EventKind<z.output<typeof putBackSchema>> = {
  type: 'put-back',
  schema: putBackSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  refuse(state, { off }) {
    const thing = stillOff(state).find(({ id }) => id === off)
    if (!thing) return fact('not-off')
    const proof = waitsFor(thing, state)
    return proof === undefined ? undefined : fact('off-waits', { proof: proofFact(proof) })
  },
  apply: (state, { off }) => ({
    ...state,
    offThings: (state.offThings ?? []).map((each) => (each.id === off ? { ...each, back: true } : each)),
  }),
}
