import { z } from 'zod'
import { colours } from '~core/fluid/specs/colour'

/** Version of the shape in which a record's words are kept. */
export const DOCUMENT_VERSION = 1

const text = z.string().max(8000)
const row = z.object({ name: text, text, colour: z.enum(colours).optional() })

/** What the customer is given: a measure has what it was before the work, after it, or both. */
const certificateSchema = z.object({
  done: z.array(text),
  measured: z.array(z.object({ what: text, before: text, after: text })),
  fluid: text,
  next: text,
  people: text,
})
export type Certificate = z.output<typeof certificateSchema>

/**
 * A record in words, as it was read by whoever signed it: units, limits, names and sentences of that day. What is kept
 * so is shown so, whatever a later release would say.
 */
export const recordDocumentSchema = z.object({
  version: z.literal(DOCUMENT_VERSION),
  plate: text,
  vehicle: text,
  opened: text,
  filed: text.optional(),
  /** How it ended: a mark and words; absent while it is open. `sound` tells a good end from one that warns. */
  outcome: z.object({ mark: text, words: text, sound: z.boolean() }).optional(),
  parts: z.array(z.object({ title: text, rows: z.array(row) })),
  points: z.object({ title: text, head: z.array(text), rows: z.array(z.array(text)) }).optional(),
  lists: z.array(z.object({ title: text, lines: z.array(text) })),
  proofs: z.object({ title: text, checks: z.array(z.object({ mark: text, text })) }).optional(),
  signed: z.array(row),
  certificate: certificateSchema,
})
export type RecordDocument = z.output<typeof recordDocumentSchema>
export type DocumentRow = z.output<typeof row>
