import { z } from 'zod'
import { type TesterId, testerIds } from './testers'

/** Where a sample was taken from. */
export const readingPlaces = ['reservoir', 'caliper'] as const

/** One reading as it is kept: by which tester, from where, and whether the instrument itself said so. */
export const takenReadingSchema = z.object({
  tester: z.enum(testerIds),
  value: z.number('give what the tester showed').min(0, 'give 0 or more').max(1e6, 'give at most 1000000'),
  at: z.enum(readingPlaces),
  byInstrument: z.boolean().optional(),
})
/** One reading as it was taken: the one type there is, for every page and the planner. */
export type TakenReading = z.output<typeof takenReadingSchema>

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

/** Kinds of reading in the public plan request, each with the tester that gives it. */
const testerOfKind = {
  'water-pct': 'percent-meter',
  'boiling-c': 'boiling-sampler',
  'copper-ppm': 'copper-strip',
  megohm: 'ohmmeter',
} as const satisfies Record<string, TesterId>
export type ReadingKind = keyof typeof testerOfKind
export const readingKinds = Object.keys(testerOfKind) as [ReadingKind, ...ReadingKind[]]

/** A reading as a request gives it, as it is judged. */
export const takenReading = ({
  kind,
  value,
  at,
}: {
  kind: ReadingKind
  value: number
  at: TakenReading['at']
}): TakenReading => ({ tester: testerOfKind[kind], value, at })
