import { z } from 'zod'

/** Fields that events share. */
export const short = z.string().max(200, 'give at most 200 characters')
export const note = z.string().max(2000, 'give at most 2000 characters')
export const ml = z.number('give mL').min(0, 'give 0 mL or more').max(20_000, 'give at most 20000 mL')

/** By the timer of the screen it was started on. */
export const heldS = z.number('give seconds').min(0).max(86_400)

/** Who did it, by the name they had then: a record does not change when a person does. */
export const person = z.object({ id: short.min(1), name: short.min(1) })
export type Person = z.output<typeof person>

/** Amounts by field as they were typed, with their unit, where that was not the metric one. */
export const typed = z.record(z.string().max(40), z.string().max(60)).optional()

/** On every event: an id made where the act happened, so that sending it twice records it once, and that clock's time. */
export const stamp = {
  id: z.string().regex(/^[A-Za-z0-9_-]{16,40}$/, 'give an id of 16 to 40 letters and digits'),
  at: z.iso.datetime('give a time as ISO 8601 in UTC'),
  by: person.optional(),
  /** What the clock of the screen said, where that was wrong. */
  screenAt: z.string().max(40).optional(),
  /** Who was at the screen when it was sent, where that was somebody else. */
  sentBy: person.optional(),
  /** How long the screen kept it before it could be sent, by that screen's own clock; absent where it went at once. */
  waitedS: z.number('give seconds').min(0).max(1e8).optional(),
  typed,
  /** What was poured beyond what the container in use held by the book; worked out where the book is kept. */
  beyondMl: z.number().min(0).max(20_000).optional(),
  /** The version of its type's shape that it was written in; absent in the first. */
  v: z.int().min(1).max(999).optional(),
}
