import { z } from 'zod'
import { bubbleRise as compute } from '../../physics/air/bubble-rise'
import { calculator } from './calculator'
import { above, between, liquidFields } from './fields'

export const bubbleRise = calculator(
  'bubble-rise',
  z.object({
    bubbleMm: above(0, 20, 'mm').min(1e-3, 'give 0.001 mm or more'),
    depthMm: between(0, 10_000, 'mm'),
    mm2PerS: liquidFields.mm2PerS,
  }),
  z.strictObject({ seconds: z.number(), mmPerS: z.number(), withinStokes: z.boolean() }),
  compute,
)
