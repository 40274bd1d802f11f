import { z } from 'zod'
import { bases, type Fact } from '../base/decision'
import { factFilling, factSchema } from '../base/fact-schema'
import { ruleIds } from './policy'
import { testerIds } from './testers'

const band = z.object({ low: z.number(), likely: z.number(), high: z.number() })

/** The first version recorded sentences: they are said as they were written. */
const factOrText: z.ZodType<Fact> = z.union([
  factSchema,
  z.string().transform((text): Fact => ({ code: 'as-recorded', text })),
])

export const verdicts = ['keep', 'watch', 'replace', 'retest'] as const
export type Verdict = (typeof verdicts)[number]

const ruleSaysSchema = z.object({
  ...factFilling,
  code: z.string().max(120).default(''),
  rule: z.enum(ruleIds),
  limit: z.number(),
  /** The limit in words. */
  words: factOrText,
  verdict: z.enum(['keep', 'watch', 'replace', 'unknown']),
  basis: z.enum(bases),
})
export type RuleSays = z.output<typeof ruleSaysSchema>

/** Whether the fluid stays, and why. */
export const judgementSchema = z.object({
  verdict: z.enum(verdicts),
  /** The rule that decided; a tester that condemns on its own; readings that cannot both be true; or nothing that could. */
  decidedBy: z.enum([...ruleIds, 'tester', 'contradiction', 'nothing']),
  /** Why, in one sentence. */
  because: factOrText,
  /** What the readings come to together: of two places, the one that holds more water. */
  waterPct: band.optional(),
  boilingC: band.optional(),
  copperPpm: band.optional(),
  /** How far it boils above the point at which the shop replaces it; below 0 it boils sooner. */
  marginC: z.number().optional(),
  limitC: z.number().optional(),
  /** Each rule of the shop's policy. */
  says: z.array(ruleSaysSchema),
  /** What other schools would say of the same. */
  others: z.array(ruleSaysSchema),
  /** What nobody knows after these readings. */
  cannot: z.array(factSchema),
  /** Testers that would settle it, the surest first. */
  askFor: z.array(z.enum(testerIds)),
})
export type Judgement = z.output<typeof judgementSchema>
