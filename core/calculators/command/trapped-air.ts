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
  compute,
  {
    formula: 'V0·(1 − P0/P) = π/4·D²·travel/ratio, P absolute',
    source: 'Boyle’s law; geometry',
    limits:
      'All extra travel counts as air: swelling hoses and clearance look the same at one effort. Three efforts tell them apart.',
  },
)
