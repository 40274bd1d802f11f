import { z } from 'zod'
import { callStates } from '../technique/calls'
import { cabActs, cabPedals, cabSays, cabStrokes, cabTasks, wheelDoes } from '../words/cab/told'
import type { CabView } from './view'

const count = z.int().min(0).max(1e6)

/** What a phone says it was shown, when it was tapped. */
export const cabSeenSchema = z.strictObject({
  point: z.string().max(200),
  call: z.enum(callStates),
  pulls: count,
  turn: count,
})

/** What a page sends of a practice for its helper's phone: words by their codes, nothing that is shown as it came. */
export const cabViewSchema: z.ZodType<CabView> = z.strictObject({
  plate: z.string().max(60),
  bay: z.string().max(60),
  says: z.enum(cabSays),
  task: z.enum(cabTasks).optional(),
  confirm: z.enum(cabActs).optional(),
  maySlip: z.boolean(),
  wheel: z.enum(wheelDoes),
  pedal: z.enum(cabPedals),
  namesPedal: z.boolean(),
  pumps: count,
  stroke: z.enum(cabStrokes),
  seen: cabSeenSchema.optional(),
  length: count,
  turn: count,
})
