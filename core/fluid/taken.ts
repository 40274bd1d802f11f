import { z } from 'zod'
import type { TakenReading } from './judge'
import { testerIds, testerOf } from './testers'
import type { MoistureReading } from './verdict'

/** Where a sample was taken from. */
export const readingPlaces = ['reservoir', 'caliper'] as const

/** One reading as it is kept: by which tester, from where, and whether the instrument itself said so. */
export const takenReadingSchema = z.object({
  tester: z.enum(testerIds),
  value: z.number('give what the tester showed').min(0, 'give 0 or more').max(1e6, 'give at most 1000000'),
  at: z.enum(readingPlaces),
  byInstrument: z.boolean().optional(),
})

/** A product's own boiling points, from its data sheet. */
export const productSchema = z.object({
  name: z.string().trim().min(1, 'give a name').max(80, 'give at most 80 characters'),
  dryC: z
    .number('give the dry boiling point')
    .min(150, 'give 150 °C or more')
    .max(370, 'give at most 370 °C'),
  wetC: z
    .number('give the wet boiling point')
    .min(100, 'give 100 °C or more')
    .max(300, 'give at most 300 °C'),
})
export type Product = z.output<typeof productSchema>

/** The one reading a plan is made with: the surest, and of two alike the caliper's, whose fluid is older. */
export function readingForPlan(readings: readonly TakenReading[]): MoistureReading | undefined {
  const [surest] = readings
    .flatMap(({ tester, value, at }) => {
      const { gives, sureness } = testerOf(tester)
      return gives ? [{ kind: gives, value, at, sureness }] : []
    })
    .sort((a, b) => b.sureness - a.sureness || Number(b.at === 'caliper') - Number(a.at === 'caliper'))
  return surest && { kind: surest.kind, value: surest.value, at: surest.at }
}
