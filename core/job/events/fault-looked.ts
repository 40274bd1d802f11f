import { z } from 'zod'
import { fact } from '../../base/decision'
import { causeOf } from '../../diagnosis/causes'
import { complaintIds } from '../../diagnosis/complaints'
import { caseFaults } from '../../diagnosis/request'
import { faultCase } from '../fault-case'
import type { EventKind } from './kind'
import { stamp } from './stamp'

const id = z.string().min(1).max(200)
/** What is looked for, what was found so far, and what was tried in vain; names may be of any version. */
export const faultFindingSchema = z.object({
  complaint: z.enum(complaintIds),
  found: z
    .array(
      z.object({
        check: id,
        result: id,
        at: id.optional(),
        travelMm: z.number().min(0).max(1000).optional(),
      }),
    )
    .max(100),
  tried: z.array(id).max(60),
  /** The cause that it was in the end. */
  was: id.optional(),
})
export type FaultFinding = z.output<typeof faultFindingSchema>

/** The search as a job keeps it: `answers` is how many were recorded. */
export const keptFindingSchema = faultFindingSchema.extend({
  answers: z.int('give a count').min(0, 'give 0 or more').max(1e6, 'give at most 1000000'),
})
export type KeptFinding = z.output<typeof keptFindingSchema>

export const faultLookedSchema = z.object({
  ...stamp,
  type: z.literal('fault-looked'),
  ...faultFindingSchema.shape,
  /** How many were recorded before this one: of two screens, the one that did not see the other’s is refused. */
  answers: keptFindingSchema.shape.answers,
})
type FaultLooked = z.output<typeof faultLookedSchema>

/** What is known of the fault by now: each answer records all of it anew, so that one taken back is one left out. */
export const faultLooked: EventKind<FaultLooked> = {
  type: 'fault-looked',
  schema: faultLookedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'desk',
  undo: false,
  whileParked: true,
  refuse(state, event) {
    if (event.answers !== (state.faultFinding?.answers ?? 0)) return fact('fault-meanwhile')
    const known = event.was === undefined || causeOf(event.was) !== undefined
    const could = caseFaults(faultCase(state, event)).length === 0
    return known && could ? undefined : fact('fault-not-so')
  },
  apply: (state, { complaint, found, tried, was, answers }) => ({
    ...state,
    faultFinding: { complaint, found, tried, ...(was !== undefined && { was }), answers: answers + 1 },
  }),
}
