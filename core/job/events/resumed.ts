import { z } from 'zod'
import { fact } from '../../base/decision'
import { resumeJob } from '../parking'
import type { EventKind } from './kind'
import { note, stamp } from './stamp'

export const resumedSchema = z.object({
  ...stamp,
  type: z.literal('resumed'),
  /** Whether everything stood as it was left. */
  asLeft: z.boolean(),
  pedalCameUp: z.boolean(),
  found: note,
})

/** Taken up again, after everything that stood was looked at. */
export const resumed: EventKind<z.output<typeof resumedSchema>> = {
  type: 'resumed',
  schema: resumedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: false,
  whileParked: true,
  refuse({ parked }, event) {
    if (!parked) return fact('not-parked')
    return !event.asLeft && event.found.trim() === '' ? fact('found-missing') : undefined
  },
  apply: resumeJob,
}
