import { z } from 'zod'
import { fact } from '../../base/decision'
import { judgementSchema } from '../../fluid/judgement'
import { productSchema, takenReadingSchema } from '../../fluid/readings'
import { readingSchema } from '../../plan/request'
import { handsOn } from '../selectors'
import type { EventKind } from './kind'
import { note, short, stamp } from './stamp'

export const testedSchema = z.object({
  ...stamp,
  type: z.literal('tested'),
  /** The one that plans are made with. */
  reading: readingSchema.optional(),
  tester: short,
  notTakenWhy: note.optional(),
  /** Every reading that was taken. */
  readings: z.array(takenReadingSchema).max(6, 'give at most 6 readings').optional(),
  product: productSchema.optional(),
  /** Of the shop: what boiled there is judged as at the sea. */
  heightM: z.number().min(-400).max(5000).optional(),
  /** What the shop's policy made of them on that day. */
  judged: judgementSchema.optional(),
})

/** The fluid was measured, or why not; a plan made before it no longer stands. */
export const tested: EventKind<z.output<typeof testedSchema>> = {
  type: 'tested',
  schema: testedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'desk',
  undo: false,
  refuse(state) {
    if (!state.checkIn) return fact('not-checked-in')
    return handsOn(state) ? fact('reading-under-work') : undefined
  },
  apply: (state, event) => ({ ...state, tested: event, planned: undefined, run: undefined }),
}
