import { z } from 'zod'
import { fact } from '../../base/decision'
import { checksFor } from '../proofs/checks'
import { GOOD, placesBefore } from '../proofs/places'
import { passedFrom, withoutProofs } from '../proofs/voids'
import { bleedDone } from '../selectors'
import type { EventKind } from './kind'
import { short, stamp } from './stamp'

export const placeLookedSchema = z.object({
  ...stamp,
  type: z.literal('place-looked'),
  /** The proof that it belongs to. */
  check: short,
  place: short,
  /** `good`, or what was found there instead. */
  is: short,
  /** What had been proved and says that it is good, or rests on that. Worked out where it was not. */
  voids: z.array(short).max(100).optional(),
})
type PlaceLooked = z.output<typeof placeLookedSchema>

/** One wheel, or one pass of its nuts, as a proof found it. */
export const placeLooked: EventKind<PlaceLooked> = {
  type: 'place-looked',
  schema: placeLookedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  wentWrong: ({ is }) => is !== 'good',
  needs: 'plate',
  refuse(state, { check, place, is }) {
    if (!bleedDone(state)) return fact('not-bled')
    const proof = checksFor(state).find(({ id }) => id === check)
    const found = proof?.places?.(state).find(({ id }) => id === place)
    if (!proof || !found) return fact('no-such-place')
    if (is !== GOOD) return proof.placeFinds?.includes(is) ? undefined : fact('no-such-place')
    const [before] = placesBefore(state, proof, found)
    return before && fact('place-first', { place: before.says })
  },
  complete(state, { voids: _sent, ...event }) {
    const voids = event.is === GOOD ? [] : passedFrom(state, ({ id }) => id === event.check)
    return { ...event, ...(voids.length > 0 && { voids }) }
  },
  apply(state, { check, place, is, voids = [] }) {
    const looked = state.placesLooked ?? {}
    return {
      ...state,
      proofs: withoutProofs(state.proofs, voids),
      placesLooked: { ...looked, [check]: { ...looked[check], [place]: is } },
    }
  },
}
