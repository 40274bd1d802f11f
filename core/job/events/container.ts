import { z } from 'zod'
import { fluidSpecSchema } from '../../fluid/specs'
import { ml, short } from './stamp'

/** A container that was opened, as its label says. */
export const containerSchema = z.object({
  /** Of the shelf's own label, where it has one. */
  code: short.optional(),
  product: short.optional(),
  spec: fluidSpecSchema,
  batch: short,
  sizeMl: ml.optional(),
  openedOn: z.iso.date('give a date').optional(),
})
export type Container = z.output<typeof containerSchema>
