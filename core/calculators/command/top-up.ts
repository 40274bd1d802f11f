import { z } from 'zod'
import { topUp as compute } from '../../physics/exchange/top-up'
import { calculator } from './calculator'
import { above, between } from './fields'

export const topUp = calculator(
  'top-up',
  z.object({ usableMl: between(0, 1e6, 'mL'), mlPerStroke: above(0, 1e5, 'mL') }),
  z.strictObject({ strokes: z.int() }),
  compute,
)
