import { z } from 'zod'
import { factFilling, reasonSchema } from '../base/fact-schema'

const share = z.number().min(0).max(1)
const id = z.string()

/** A cause and its share of all that it can be. */
const causeShareSchema = z.object({ id, share, at: id.optional() })
export type CauseShare = z.output<typeof causeShareSchema>

/** What an answer of a check would make of it: how likely it is, and what would then be likeliest. */
const wouldSaySchema = z.object({ result: z.string(), chance: share, cause: id, share })
export type WouldSay = z.output<typeof wouldSaySchema>

/** Something that can be done next. `cost` is its own, `expectedCostAfter` the mean of what comes after it. */
const nextSchema = z.object({
  ...factFilling,
  code: z.string(),
  kind: z.enum(['check', 'repair']),
  id,
  minutes: z.number().min(0),
  cost: z.number().min(0),
  expectedCostAfter: z.number().min(0),
  /** Of a check: what its answers would change. */
  answers: z.array(wouldSaySchema).optional(),
})
export type Next = z.output<typeof nextSchema>

/** What is wrong, how likely, and what to try next. */
export const diagnosisSchema = z.object({
  causes: z.array(causeShareSchema),
  next: z.array(nextSchema),
  expectedCost: z.number().min(0),
  /** What mending without another look would come to in the mean; left out once nothing is to be done. */
  expectedCostUnlooked: z.number().min(0).optional(),
  /** The cause that was mended, once that is known. */
  named: id.optional(),
  /** Of a plan request, if the first cause is mended. */
  work: z.object({ reason: z.string(), opened: z.array(id), replaced: z.array(id) }).optional(),
  reasons: z.array(reasonSchema),
})
export type Diagnosis = z.output<typeof diagnosisSchema>
