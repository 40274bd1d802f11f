import { z } from 'zod'

/** A number inside the bounds a calculator answers for; the sentence says which. */
export const between = (low: number, high: number, unit: string) =>
  z
    .number(`give a number of ${unit}`)
    .min(low, `give ${low} ${unit} or more`)
    .max(high, `give ${high} ${unit} or less`)

/** The same with the lower bound itself refused, and what is too close to it to divide by. */
export const above = (low: number, high: number, unit: string) =>
  z
    .number(`give a number of ${unit}`)
    .gt(low, `give a value above ${low} ${unit}`)
    .min(low + 1e-6, `give ${low + 1e-6} ${unit} or more`)
    .max(high, `give ${high} ${unit} or less`)

export const pistonsField = z
  .array(
    z.object({
      diameterMm: above(0, 300, 'mm'),
      count: z.int('give a whole number').min(1, 'give at least 1').max(64, 'give at most 64'),
    }),
    'give a list of pistons',
  )
  .max(64, 'give at most 64 sizes of piston')

export const boilingPairFields = { dryC: above(100, 370, '°C'), wetC: above(60, 370, '°C') }
