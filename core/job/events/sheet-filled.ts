import { z } from 'zod'
import { fact } from '../../base/decision'
import { orFault } from '../../base/fault'
import { repairSheetOf, sheetFaults } from '../../repair-sheets'
import { verdictSchema } from '../../repair-sheets/sheet'
import { withMeasuredWear } from '../../vehicle/measured-wear'
import type { JobState } from '../state'
import type { EventKind } from './kind'
import { person, short, stamp } from './stamp'

const filled = z
  .record(z.string().max(60), z.union([z.number(), z.string().max(60)]))
  .refine((all) => Object.keys(all).length <= 60, 'give at most 60 fields')

/** A sheet as a job keeps it: of which part, what was filled in, what it came to; `fills` is how often it was recorded. */
export const keptSheetSchema = z.object({
  sheet: short,
  place: short,
  filled,
  verdict: verdictSchema.optional(),
  fills: z.int('give a count').min(0, 'give 0 or more').max(1e6, 'give at most 1000000'),
  at: z.string(),
  by: person.optional(),
})
export type KeptSheet = z.output<typeof keptSheetSchema>

export const sheetFilledSchema = z.object({
  ...stamp,
  type: z.literal('sheet-filled'),
  sheet: short,
  /** The part or line that it is of. */
  place: short,
  /** All that is known by now: what was taken back is left out. */
  filled,
  /** How often it was recorded before: of two screens, the one that did not see the other’s is refused. */
  fills: keptSheetSchema.shape.fills,
  /** What it came to by the rules of that day; absent while something is missing. */
  verdict: verdictSchema.optional(),
})
type SheetFilled = z.output<typeof sheetFilledSchema>

export const sheetKey = ({ sheet, place }: Pick<SheetFilled, 'sheet' | 'place'>): string =>
  `${sheet} ${place}`

/** A sheet of a part was filled in, wholly or so far. */
export const sheetFilled: EventKind<SheetFilled> = {
  type: 'sheet-filled',
  schema: sheetFilledSchema,
  version: 1,
  upcasts: [],
  madeAt: 'desk',
  undo: false,
  whileParked: true,
  refuse(state, event) {
    if (event.fills !== (state.sheets?.[sheetKey(event)]?.fills ?? 0)) return fact('sheet-meanwhile')
    if (sheetFaults(event.sheet, event.place, event.filled, state.vehicle).length > 0)
      return fact('sheet-not-so')
    const { fault } = orFault(() => judged(state, event))
    return fault && fact('sheet-cannot-be', { why: fault.message })
  },
  complete(state, { verdict: _sent, ...event }) {
    const verdict = judged(state, event)
    return { ...event, ...(verdict && { verdict }) }
  },
  apply: (state, event) => {
    const { sheet, place, filled: known, verdict, fills, at, by } = event
    const kept: KeptSheet = { sheet, place, filled: known, verdict, fills: fills + 1, at, by }
    return { ...state, sheets: { ...state.sheets, [sheetKey(event)]: kept } }
  },
}

/** By the wear that was measured on this job, where it was. */
const judged = ({ vehicle, checkIn }: JobState, { sheet, place, filled: known }: SheetFilled) =>
  repairSheetOf(sheet)?.judge(known, withMeasuredWear(vehicle, checkIn?.work.padWearMm ?? {}), place)
