import { expect, test } from 'vitest'
import { z } from 'zod'
import { shopSchema, workSchema } from '~core/plan/request'
import { vehicleSchema } from '~core/vehicle/schema'

const text = (schema: z.ZodType) => `${JSON.stringify(z.toJSONSchema(schema, { io: 'input' }), null, 2)}\n`

/** The published schemas are the ones the program reads by; `npm run docs` writes them anew. */
test.each([
  ['vehicle', vehicleSchema],
  [
    'plan-request',
    z.object({
      format: z.literal('ruddy-siphon.plan-request'),
      version: z.literal(1),
      vehicle: vehicleSchema,
      work: workSchema,
      shop: shopSchema.optional(),
    }),
  ],
])('docs/schema/%s.schema.json is what is read', async (name, schema) => {
  await expect(text(schema)).toMatchFileSnapshot(`../../docs/schema/${name}.schema.json`)
})
