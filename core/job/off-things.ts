import { z } from 'zod'
import { type Fact, fact } from '../base/decision'
import type { JobState } from './state'

/** Something that comes off to get at the brakes. */
type OffKind = {
  id: string
  /** It stays off until this is proved: whatever it is in the way of may have to be got at again. */
  afterProof?: string
}

/** A new one is one line here and its word. @source common practice */
const kinds: readonly OffKind[] = [
  { id: 'connector' },
  { id: 'sensor' },
  { id: 'bracket' },
  { id: 'cap' },
  { id: 'hose-clip' },
  { id: 'trim', afterProof: 'joints-dry' },
  { id: 'battery', afterProof: 'joints-dry' },
]
export const offKinds = kinds.map(({ id }) => id)
const byId = new Map(kinds.map((kind) => [kind.id, kind]))

/** One of them as it was taken off: where, and whether it is back. */
export const offThingSchema = z.object({
  id: z.string().max(200),
  thing: z.string().max(60),
  where: z.string().max(200),
  back: z.boolean(),
})
export type OffThing = z.output<typeof offThingSchema>

type Known = Pick<JobState, 'offThings' | 'proofs'>

/** What is still off, in the order in which it goes back: the last off is the first on. */
export const stillOff = ({ offThings = [] }: Known): OffThing[] =>
  offThings.filter(({ back }) => !back).toReversed()

/** The proof that something waits for before it goes back; undefined where it waits for none. */
export function waitsFor({ thing }: Pick<OffThing, 'thing'>, { proofs }: Known): string | undefined {
  const proof = byId.get(thing)?.afterProof
  return proof !== undefined && !proofs[proof]?.passed ? proof : undefined
}

export const offFact = ({ thing, where }: Pick<OffThing, 'thing' | 'where'>): Fact =>
  fact('off-thing', { what: fact(`off-${thing}`), where })
