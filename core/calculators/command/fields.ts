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

/** Pieces of line in series. Kind and hose play no part here and are let pass. */
export const segmentsField = z
  .array(
    z.object({ lengthM: above(0, 1000, 'm'), boreMm: above(0, 100, 'mm') }),
    'give a list of pieces of line',
  )
  .min(1, 'give at least one piece of line')
  .max(100, 'give at most 100 pieces of line')

export const liquidFields = {
  mm2PerS: above(0, 1e6, 'mm²/s').min(0.1, 'give 0.1 mm²/s or more'),
  densityKgM3: above(0, 20_000, 'kg/m³').min(100, 'give 100 kg/m³ or more'),
}

export const cylinderFields = {
  boreMm: above(0, 300, 'mm').min(1, 'give 1 mm or more'),
  pedalRatio: above(0, 50, 'times').min(0.1, 'give 0.1 or more'),
}

export const heightField = between(-500, 6000, 'm').default(0)

/** A day that exists. */
export const dateField = z.iso.date('give a day like 2026-04-09')
