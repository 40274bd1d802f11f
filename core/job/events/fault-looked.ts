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
  found: z.array(z.object({ check: id, result: id, at: id.optional() })).max(100),
  tried: z.array(id).max(60),
  /** The cause that it was in the end. */
  was: id.optional(),
})
export type FaultFinding = z.output<typeof faultFindingSchema>

export const faultLookedSchema = z.object({
  ...stamp,
  type: z.literal('fault-looked'),
  ...faultFindingSchema.shape,
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
  refuse: (state, event) =>
    caseFaults(faultCase({ ...state, faultFinding: event })).length > 0 ||
    (event.was !== undefined && !causeOf(event.was))
      ? fact('fault-not-so')
      : undefined,
  apply: (state, { complaint, found, tried, was }) => ({
    ...state,
    faultFinding: { complaint, found, tried, ...(was !== undefined && { was }) },
  }),
}
