import { parseWithZod } from '@conform-to/zod/v4'
import { z } from 'zod'
import { quantityField } from '~/lib/fields'
import { testFormSchema } from '~/routes/test/test-form'
import { fluidSpecs } from '~core/fluid/specs'
import { testerIds } from '~core/fluid/testers'

const pastDay = (today: string) =>
  z.iso.date('Give the day.').refine((day) => day <= today && day >= '1950-01-01', 'Give a day up to today.')

/** An exchange that was done before, or elsewhere. */
export const exchangeSchema = (today: string) =>
  z.object({
    doneOn: pastDay(today),
    km: quantityField('distance', { min: 0, max: 5e6 }),
    spec: z.enum(fluidSpecs, 'Pick what went in.'),
  })

/** A reading that was taken before, or outside a job: as at the Test, with its day. */
export function readEarlierReading(form: FormData, today: string) {
  const read = parseWithZod(form, { schema: testFormSchema })
  const day = pastDay(today).safeParse(form.get('takenOn'))
  const known = testerIds.some((id) => id === form.get('tester'))
  const faults: Record<string, string[] | null> = {
    ...(read.status === 'success' ? {} : read.error),
    ...(day.success ? {} : { takenOn: ['Give a day up to today.'] }),
    ...(known ? {} : { tester: ['Pick a tester.'] }),
  }
  const reading = read.status === 'success' ? read.value.readings[0] : undefined
  return reading && day.success && Object.keys(faults).length === 0
    ? { ok: true as const, reading, takenOn: day.data }
    : { ok: false as const, faults }
}
