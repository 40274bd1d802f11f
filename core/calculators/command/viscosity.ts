import { z } from 'zod'
import { fluidOf, fluidSpecSchema } from '../../fluid/specs'
import { viscosityMm2PerS } from '../../physics/hydraulics/viscosity'
import { calculator } from './calculator'
import { above, between } from './fields'

const pointSchema = z.object({
  tempC: between(-99, 299, '°C'),
  mm2PerS: above(0, 1e7, 'mm²/s').min(0.32, 'give 0.32 mm²/s or more'),
})
/** Below it the short form of the equation is no longer good. @source ASTM D341 (recalled) */
const GOOD_FROM_MM2_PER_S = 2

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

const answer = z.strictObject({ mm2PerS: z.number(), beyondModel: z.literal(true).optional() })

export const viscosity = calculator('viscosity', schema, answer, ({ spec, points, tempC }) => {
  const between = points ?? fluidOf(spec ?? 'DOT 4').typical
  const mm2PerS = viscosityMm2PerS(between, tempC)
  const at = between.map((point) => point.tempC)
  const beyond = tempC < Math.min(...at) || tempC > Math.max(...at) || mm2PerS < GOOD_FROM_MM2_PER_S
  return { mm2PerS, ...(beyond && { beyondModel: true }) }
})
