import { z } from 'zod'
import { fact } from '../../base/decision'
import { factSchema } from '../../base/fact-schema'
import type { EventKind } from './kind'
import { note, person, short, stamp } from './stamp'

/** A line of an estimate that the customer declined: what it was, and what was said. */
export const declinedLineSchema = z.object({
  line: short.min(1),
  says: factSchema,
  note,
  at: z.string(),
  by: person.optional(),
})
export type DeclinedLine = z.output<typeof declinedLineSchema>

export const lineDeclinedSchema = z.object({
  ...stamp,
  type: z.literal('line-declined'),
  line: declinedLineSchema.shape.line,
  says: factSchema,
  /** Taken back: it is to be done after all. */
  wanted: z.literal(true).optional(),
  note,
})

/** One line of an estimate, declined by the customer or wanted after all. */
export const lineDeclined: EventKind<z.output<typeof lineDeclinedSchema>> = {
  type: 'line-declined',
  schema: lineDeclinedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'desk',
  undo: false,
  whileParked: true,
  refuse({ declinedLines = [] }, { line, wanted, note: said }) {
    const declined = declinedLines.some((each) => each.line === line)
    if (wanted) return declined ? undefined : fact('line-not-declined')
    return said.trim() === '' ? fact('declined-note-missing') : undefined
  },
  apply(state, { line, says, wanted, note: said, at, by }) {
    const others = (state.declinedLines ?? []).filter((each) => each.line !== line)
    return { ...state, declinedLines: wanted ? others : [...others, { line, says, note: said, at, by }] }
  },
}
