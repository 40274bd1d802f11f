import { z } from 'zod'
import { quantityField, requiredQuantity } from '~/lib/fields'
import { bubbleKinds, colours } from '~core/fluid/specs/colour'

const MOST_ML = 20_000
const amount = quantityField('volume', { min: 0, max: MOST_ML }).transform((ml) => ml ?? 0)

/** What is copied from a bay card. */
export const paperFormSchema = z.object({
  eventId: z.string(),
  doneBy: z.string('Say who did it.').max(200, 'At most 200 characters.'),
  doneOn: z.iso.date('Give the date on the card.'),
  ticked: z.literal('on', 'Every step on the card has its tick, or the bay goes on where one is missing.'),
  rows: z
    .array(
      z.object({
        stage: z.coerce.number().int(),
        point: z.string().max(200),
        ml: requiredQuantity('volume', { min: 0, max: MOST_ML }, 'How much came out?'),
        pulls: z
          .string('How many?')
          .regex(/^\d{1,3}$/, 'A whole number.')
          .transform(Number),
        colour: z.enum(colours, 'Pick one.'),
        bubbles: z.enum(bubbleKinds, 'Pick one.'),
      }),
    )
    .max(400)
    .default([]),
  inMl: amount,
  drawnMl: amount,
  spilledMl: amount,
  code: z.string().trim().max(40, 'At most 40 characters.').optional(),
  note: z.string().max(2000, 'At most 2000 characters.').default(''),
})
