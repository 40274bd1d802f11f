import { z } from 'zod'
import { decimal, requiredQuantity } from '~/lib/fields'

/** Stands where nobody checked. */
export const NOBODY = 'nobody'

/** How a job is filed, as its form sends it. */
export const fileFormSchema = z.object({
  eventId: z.string(),
  outcome: z.enum(['fit', 'not-fit', 'declined', 'kept'], 'Say how it ends.'),
  doneBy: z
    .string('Say who did the work.')
    .trim()
    .min(1, 'Say who did the work.')
    .max(200, 'At most 200 characters.'),
  checkedBy: z.string('Say who checked, or that nobody did.'),
  checkPin: z.string().default(''),
  wasteMl: requiredQuantity(
    'volume',
    { min: 0, max: 20_000 },
    'Give how much used fluid went into the drum; 0 if none.',
  ),
  nextDue: z.iso.date('Give a date.').optional(),
  waterAfterPct: decimal({ min: 0, max: 20, unit: '%' }),
  note: z.string().max(2000, 'At most 2000 characters.').default(''),
})
