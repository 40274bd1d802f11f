import { z } from 'zod'
import { whyNoPin } from '~/lib/pin'

/** What the address of the people page says where somebody came in with a PIN that anybody guesses. */
export const EASY = 'easy-pin'
export const EASY_PIN = `/people?${EASY}`

export const pinSchema = z.string('Give a PIN.').check(({ value, issues }) => {
  const message = whyNoPin(value)
  if (message !== undefined) issues.push({ code: 'custom', message, input: value })
})

export const newPersonSchema = z.object({
  name: z.string('Give a name.').trim().min(1, 'Give a name.').max(80, 'At most 80 characters.'),
  pin: pinSchema,
})
