import { z } from 'zod'
import { fact } from '../../base/decision'
import { vehicleSchema } from '../../vehicle/schema'
import { nothingStands, standingSchema } from '../standing'
import type { JobState } from '../state'
import type { EventKind } from './kind'
import { short, stamp } from './stamp'

export const jobOpenedSchema = z.object({
  ...stamp,
  type: z.literal('job-opened'),
  vehicleId: short,
  plate: short,
  vehicle: vehicleSchema,
  /** What the job before it left standing on the vehicle. */
  stands: standingSchema.optional(),
  comebackOf: short.optional(),
})
type JobOpened = z.output<typeof jobOpenedSchema>

/** The first of every job. */
export const jobOpened: EventKind<JobOpened> = {
  type: 'job-opened',
  schema: jobOpenedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'desk',
  undo: false,
  refuse: () => fact('job-open-already'),
  apply: (state) => state,
}

/** A job as it is opened. */
export const openedState = (event: JobOpened): JobState => ({
  vehicle: event.vehicle,
  vehicleId: event.vehicleId,
  plate: event.plate,
  openedAt: event.at,
  lastAt: event.at,
  people: event.by ? [event.by] : [],
  comebackOf: event.comebackOf,
  movedFrom: [],
  earlier: [],
  proofs: {},
  extraChecks: [],
  containers: [],
  troubles: [],
  standing: event.stands ?? nothingStands,
  bleedAgainWhy: [],
  parkings: [],
  addenda: [],
  undoable: [],
  length: 1,
})
