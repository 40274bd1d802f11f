import { z } from 'zod'
import { type Fact, fact } from '../base/decision'
import type { JobState } from './state'

/** Something that comes off to get at the brakes. */
type OffKind = {
  id: string
  /** It stays off until this is proved: whatever it is in the way of may have to be got at again. */
  afterProof?: string
  /** The hydraulics stand open without it: their ports are capped, and nothing is pressed, filled or bled until it is back. */
  opensHydraulics?: true
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
  { id: 'unit', opensHydraulics: true },
  { id: 'cylinder', opensHydraulics: true },
  { id: 'brake', opensHydraulics: true },
  { id: 'line', opensHydraulics: true },
]
export const offKinds = kinds.map(({ id }) => id)
const byId = new Map(kinds.map((kind) => [kind.id, kind]))

/** Whether the hydraulics stand open while it is off. */
export const opensHydraulics = (thing: string): boolean => byId.get(thing)?.opensHydraulics === true

/** Where a part went that is not in the shop, and the day it is expected back. */
export const awaySchema = z.object({
  to: z.string().trim().min(1, 'say where it went').max(200, 'give at most 200 characters'),
  backOn: z.iso.date('give a day like 2026-03-31').optional(),
})

/** One of them as it was taken off: where, and whether it is back. */
export const offThingSchema = z.object({
  id: z.string().max(200),
  thing: z.string().max(60),
  where: z.string().max(200),
  back: z.boolean(),
  away: awaySchema.optional(),
})
export type OffThing = z.output<typeof offThingSchema>

type Known = Pick<JobState, 'offThings' | 'proofs'>

/** What is still off, in the order in which it goes back: the last off is the first on. */
export const stillOff = ({ offThings = [] }: Known): OffThing[] =>
  offThings.filter(({ back }) => !back).toReversed()

/** What is off and leaves the hydraulics open; undefined where nothing is. */
export const hydraulicsOpenAt = (state: Known): OffThing | undefined =>
  stillOff(state).find(({ thing }) => opensHydraulics(thing))

/** The proof that something waits for before it goes back; undefined where it waits for none. */
export function waitsFor({ thing }: Pick<OffThing, 'thing'>, { proofs }: Known): string | undefined {
  const proof = byId.get(thing)?.afterProof
  return proof !== undefined && !proofs[proof]?.passed ? proof : undefined
}

export const offFact = ({ thing, where, away }: Pick<OffThing, 'thing' | 'where' | 'away'>): Fact =>
  fact('off-thing', {
    what: fact(`off-${thing}`),
    where,
    ...(away && { to: away.to }),
    ...(away?.backOn && { backOn: away.backOn }),
  })
