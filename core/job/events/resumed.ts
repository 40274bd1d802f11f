import { z } from 'zod'
import { fact } from '../../base/decision'
import { airReaches, airSchema } from '../air-reaches'
import { fedByMachine, pedalRose, resumeJob } from '../parking'
import type { JobState } from '../state'
import { type EventKind, isRunning } from './kind'
import { note, short, stamp } from './stamp'

export const resumedSchema = z.object({
  ...stamp,
  type: z.literal('resumed'),
  /** Whether everything stood as it was left. */
  asLeft: z.boolean(),
  pedalCameUp: z.boolean(),
  found: note,
  /** The machine stood empty: its pressure is gone, and it may have blown air in. */
  machineEmpty: z.boolean().optional(),
  /** Air that a pedal which came up drew in, and bleeders above which an empty machine blew it; worked out then. */
  air: airSchema.optional(),
  emptied: z.array(short).max(400).optional(),
})
type Resumed = z.output<typeof resumedSchema>

function complete(state: JobState, { air: _sent, emptied: _too, ...event }: Resumed): Resumed {
  if (!isRunning(state)) return event
  const { run } = state
  const air =
    pedalRose(run, event) && run.callAt !== undefined
      ? airReaches(state, run.callAt, 'foot-slipped')
      : undefined
  const emptied = event.machineEmpty ? fedByMachine(state) : []
  return { ...event, ...(air && { air }), ...(emptied.length > 0 && { emptied }) }
}

/** Taken up again, after everything that stood was looked at. */
export const resumed: EventKind<Resumed> = {
  type: 'resumed',
  schema: resumedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: false,
  aside: true,
  whileParked: true,
  refuse({ parked, standing }, event) {
    if (!parked) return fact('not-parked')
    if (event.machineEmpty && !standing.up.includes('pressure')) return fact('no-tank')
    return !event.asLeft && event.found.trim() === '' ? fact('found-missing') : undefined
  },
  complete,
  apply: resumeJob,
}
