import { z } from 'zod'
import { fact } from '../../base/decision'
import { colours } from '../../fluid/specs/colour'
import { workSchema } from '../../plan/request'
import { handsOn } from '../selectors'
import type { EventKind } from './kind'
import { ml, note, short, stamp, typed } from './stamp'

export const checkInSchema = z.object({
  work: workSchema,
  bay: short.optional(),
  odometerKm: z.number().min(0).max(5e6).optional(),
  typed,
  levelMl: ml.optional(),
  colour: z.enum(colours),
  note,
})
export type CheckIn = z.output<typeof checkInSchema>

export const checkedInSchema = z.object({ ...stamp, type: z.literal('checked-in'), checkIn: checkInSchema })

/** Why it is here and what was found; a plan made before it no longer stands. */
export const checkedIn: EventKind<z.output<typeof checkedInSchema>> = {
  type: 'checked-in',
  schema: checkedInSchema,
  version: 1,
  upcasts: [],
  madeAt: 'desk',
  undo: false,
  refuse: (state) => (handsOn(state) ? fact('check-in-under-work') : undefined),
  apply: (state, { checkIn }) => ({ ...state, checkIn, planned: undefined, run: undefined }),
}
