import { z } from 'zod'
import { purge } from '../exchange/purge'
import { topUp } from '../exchange/top-up'
import { wearDrop } from '../exchange/wear-drop'
import { boilingPoint, waterFromBoiling } from '../moisture/boiling-point'
import { defaultPolicy, moistureVerdict } from '../moisture/verdict'
import { readingSchema } from '../plan/request'
import { fluidSpecSchema } from '../vehicle/schema'
import { type Calculator, calculator } from './calculator'
import { above, between, boilingPairFields, pistonsField } from './fields'

const productPair = z.object(boilingPairFields)
const policyFields = z.object({
  waterPct: above(0, 20, '%').default(defaultPolicy.waterPct),
  marginC: between(0, 100, '°C').default(defaultPolicy.marginC),
  copperPpm: above(0, 1e5, 'ppm').default(defaultPolicy.copperPpm),
})

/** Every calculator of the command and the bench. A new one is one line here. */
export const calculators: readonly Calculator[] = [
  calculator(
    'boiling-point',
    z.object({ ...boilingPairFields, waterPct: between(0, 100, '%') }),
    boilingPoint,
  ),
  calculator(
    'water-from-boiling',
    z.object({ ...boilingPairFields, boilingC: between(0, 370, '°C') }),
    waterFromBoiling,
  ),
  calculator(
    'moisture-verdict',
    z.object({
      spec: fluidSpecSchema,
      reading: readingSchema,
      product: productPair.optional(),
      policy: policyFields.prefault({}),
    }),
    (input) => moistureVerdict(input.spec, input.reading, input.product, input.policy),
  ),
  calculator(
    'purge',
    z.object({
      volumeMl: above(0, 1e6, 'mL'),
      tanks: z.int('give a whole number').min(1, 'give 1 or more').max(200, 'give 200 or less'),
      targetOldPct: between(1e-6, 99.999, '%'),
    }),
    purge,
  ),
  calculator(
    'top-up',
    z.object({ usableMl: between(0, 1e6, 'mL'), mlPerStroke: above(0, 1e5, 'mL') }),
    topUp,
  ),
  calculator('wear-drop', z.object({ pistons: pistonsField, wearMm: between(0, 200, 'mm') }), wearDrop),
]
