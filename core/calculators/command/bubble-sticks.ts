import { z } from 'zod'
import { bubbleSticks as compute } from '../../physics/air/bubble-sticks'
import { calculator } from './calculator'
import { above, liquidFields } from './fields'

export const bubbleSticks = calculator(
  'bubble-sticks',
  z.object({
    boreMm: above(0, 100, 'mm').min(0.01, 'give 0.01 mm or more'),
    densityKgM3: liquidFields.densityKgM3,
    surfaceTensionNM: above(0, 1, 'N/m').min(1e-4, 'give 0.0001 N/m or more'),
  }),
  z.strictObject({ sticks: z.boolean(), number: z.number(), marginal: z.boolean() }),
  compute,
)
