import { z } from 'zod'
import { restriction as compute } from '../../physics/hydraulics/restriction'
import { calculator } from './calculator'
import { above, between, liquidFields, segmentsField } from './fields'

export const restriction = calculator(
  'restriction',
  z.object({
    segments: segmentsField,
    pressureKPa: above(0, 50_000, 'kPa').min(1e-3, 'give 0.001 kPa or more'),
    mlPerMin: between(0, 1e6, 'mL/min'),
    ...liquidFields,
  }),
  z.strictObject({
    effectiveBoreMm: z.number(),
    expectedMlPerMin: z.number(),
    verdict: z.enum(['free', 'restricted', 'blocked']),
  }),
  compute,
)
