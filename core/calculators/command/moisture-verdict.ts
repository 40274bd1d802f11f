import { z } from 'zod'
import { reasonSchema } from '../../base/fact-schema'
import { judgeFluid, judgementReasons } from '../../fluid/judge'
import { type Judgement, verdicts } from '../../fluid/judgement'
import { measuredLimits } from '../../fluid/policy/policy'
import { takenReading } from '../../fluid/readings'
import { fluidOf, fluidSpecSchema } from '../../fluid/specs'
import { readingSchema } from '../../plan/request'
import { calculator } from './calculator'
import { above, between, boilingPairFields } from './fields'

const policyFields = z.object({
  waterPct: above(0, 20, '%').optional(),
  marginC: between(0, 100, '°C').optional(),
  copperPpm: above(0, 1e5, 'ppm').optional(),
})

/** The public names of what can decide; a fluid that takes up no water has no rule that does. */
function decidedBy({ decidedBy: by }: Judgement, takesWater: boolean): string {
  if (by === 'boiling') return 'boiling-point'
  if (by === 'tester') return 'resistance'
  return by === 'nothing' && !takesWater ? 'not-applicable' : by
}

export const moistureVerdict = calculator(
  'moisture-verdict',
  z.object({
    spec: fluidSpecSchema,
    reading: readingSchema,
    product: z.object(boilingPairFields).optional(),
    policy: policyFields.prefault({}),
  }),
  z.strictObject({
    verdict: z.enum(verdicts),
    boilingC: z.number().optional(),
    decidedBy: z.string(),
    reasons: z.array(reasonSchema),
  }),
  ({ spec, reading, product, policy }) => {
    const judged = judgeFluid(
      { spec, kind: 'car', readings: [takenReading(reading)], product, heightM: 0 },
      measuredLimits(policy),
    )
    return {
      verdict: judged.verdict,
      ...(judged.boilingC && { boilingC: judged.boilingC.likely }),
      decidedBy: decidedBy(judged, fluidOf(spec).base === 'glycol'),
      reasons: judgementReasons(judged),
    }
  },
)
