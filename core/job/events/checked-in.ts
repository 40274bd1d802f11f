import { z } from 'zod'
import { fact } from '../../base/decision'
import { colours } from '../../fluid/specs/colour'
import { workSchema } from '../../plan/request'
import { partsOf, reservoirFact } from '../../vehicle/parts'
import type { PartOf, Vehicle } from '../../vehicle/schema'
import { withBarePorts } from '../../vehicle/usual-volumes'
import { handsOn } from '../selectors'
import type { JobState } from '../state'
import type { EventKind } from './kind'
import { ml, note, short, stamp, typed } from './stamp'

export const checkInSchema = z.object({
  work: workSchema,
  bay: short.optional(),
  odometerKm: z.number().min(0).max(5e6).optional(),
  typed,
  /** Of the first reservoir; every one that was looked at stands with the work. */
  levelMl: ml.optional(),
  /** It stood below MIN, and somebody looked: its ports were covered all the time. */
  portsStayedCovered: z.boolean().optional(),
  colour: z.enum(colours),
  note,
})
export type CheckIn = z.output<typeof checkInSchema>

export const checkedInSchema = z.object({ ...stamp, type: z.literal('checked-in'), checkIn: checkInSchema })

/**
 * Reservoirs below MIN of which nobody has said whether air went in. One whose port is bare needs no asking: it did.
 */
export function airUnasked(
  vehicle: Vehicle,
  { work, portsStayedCovered }: Pick<CheckIn, 'work' | 'portsStayedCovered'>,
): PartOf<'reservoir'>[] {
  const { levelMl = {}, ranDry, systemEmpty } = work
  if (ranDry || systemEmpty || portsStayedCovered || withBarePorts(vehicle, levelMl).length > 0) return []
  return partsOf(vehicle, 'reservoir').filter(({ id, minMl }) => (levelMl[id] ?? minMl) < minMl)
}

function refuse(state: JobState, { checkIn }: z.output<typeof checkedInSchema>) {
  if (handsOn(state)) return fact('check-in-under-work')
  const [low] = airUnasked(state.vehicle, checkIn)
  return low && fact('below-min-unasked', { reservoir: reservoirFact(state.vehicle, low.id) })
}

/** Why it is here and what was found; a plan made before it no longer stands. */
export const checkedIn: EventKind<z.output<typeof checkedInSchema>> = {
  type: 'checked-in',
  schema: checkedInSchema,
  version: 1,
  upcasts: [],
  madeAt: 'desk',
  undo: false,
  refuse,
  apply: (state, { checkIn }) => ({ ...state, checkIn, planned: undefined, run: undefined }),
}
