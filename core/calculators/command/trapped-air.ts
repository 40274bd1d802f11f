import { z } from 'zod'
import { trappedAir as compute } from '../../physics/air/trapped-air'
import { calculator } from './calculator'
import { above, between, cylinderFields } from './fields'

export const trappedAir = calculator(
  'trapped-air',
  z.object({
    ...cylinderFields,
    extraTravelMm: between(0, 1000, 'mm'),
    pressureKPa: above(0, 50_000, 'kPa').min(1, 'give 1 kPa or more'),
  }),
  z.strictObject({ airMl: z.number() }),
  compute,
)
