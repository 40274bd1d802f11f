import { z } from 'zod'
import { fluidOf, fluidSpecSchema } from '../../fluid/specs'
import { viscosityMm2PerS } from '../../physics/hydraulics/viscosity'
import { calculator } from './calculator'
import { above, between } from './fields'

const pointSchema = z.object({
  tempC: between(-99, 299, '°C'),
  mm2PerS: above(0, 1e7, 'mm²/s').min(0.32, 'give 0.32 mm²/s or more'),
})
const tempC = between(-60, 250, '°C')
const schema = z
  .object({
    spec: fluidSpecSchema.optional(),
    points: z.tuple([pointSchema, pointSchema], 'give two points').optional(),
    tempC,
  })
  .refine(({ spec, points }) => (spec === undefined) !== (points === undefined), {
    path: ['spec'],
    message: 'give either a spec or two points of a product’s own data sheet',
  })

export const viscosity = calculator(
  'viscosity',
  schema,
  ({ spec, points, tempC }) => ({
    mm2PerS: viscosityMm2PerS(points ?? fluidOf(spec ?? 'DOT 4').typical, tempC),
  }),
  {
    formula: 'log10 log10(ν + 0.7) falls on a straight line over log10 of the absolute temperature',
    source: 'Walther’s equation, ASTM D341; a spec’s two points are typical products’, from memory',
    limits:
      'Good above 2 mm²/s and within about half a per cent between the two points; beyond them it only points the way.',
  },
)
