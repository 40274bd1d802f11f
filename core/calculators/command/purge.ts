import { z } from 'zod'
import { purge as compute } from '../../physics/exchange/purge'
import { calculator } from './calculator'
import { above, between } from './fields'

export const purge = calculator(
  'purge',
  z.object({
    volumeMl: above(0, 1e6, 'mL'),
    tanks: z.int('give a whole number').min(1, 'give 1 or more').max(200, 'give 200 or less'),
    targetOldPct: between(1e-6, 99.999, '%'),
  }),
  z.strictObject({ ml: z.number(), volumes: z.number(), laminarMl: z.number() }),
  compute,
)
