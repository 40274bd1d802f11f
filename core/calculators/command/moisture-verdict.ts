import { z } from 'zod'
import { fluidSpecSchema } from '../../fluid/specs'
import { moistureVerdict as compute, defaultPolicy } from '../../fluid/verdict'
import { readingSchema } from '../../plan/request'
import { calculator } from './calculator'
import { above, between, boilingPairFields } from './fields'

const policyFields = z.object({
  waterPct: above(0, 20, '%').default(defaultPolicy.waterPct),
  marginC: between(0, 100, '°C').default(defaultPolicy.marginC),
  copperPpm: above(0, 1e5, 'ppm').default(defaultPolicy.copperPpm),
})

export const moistureVerdict = calculator(
  'moisture-verdict',
  z.object({
    spec: fluidSpecSchema,
    reading: readingSchema,
    product: z.object(boilingPairFields).optional(),
    policy: policyFields.prefault({}),
  }),
  (input) => compute(input.spec, input.reading, input.product, input.policy),
  {
    formula: 'the reading against the shop’s limits; water turned into a boiling point with its band',
    source: 'limits are common practice; wet minimum of FMVSS 116 (recalled)',
    limits:
      'One reading of one sample: a caliper’s fluid is older than the reservoir’s. An ohmmeter can condemn, never pass.',
  },
)
