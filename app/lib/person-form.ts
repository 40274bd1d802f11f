import { z } from 'zod'

export const pinSchema = z.string('Give a PIN.').regex(/^\d{4,8}$/, 'A PIN is 4 to 8 digits.')

export const newPersonSchema = z.object({
  name: z.string('Give a name.').trim().min(1, 'Give a name.').max(80, 'At most 80 characters.'),
  pin: pinSchema,
})
