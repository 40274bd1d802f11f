import { z } from 'zod'
import { fact } from '../base/decision'
import { factSchema } from '../base/fact-schema'
import { lineMl } from '../plan/volumes'
import { strokeMl } from '../technique/strokes'
import { type Route, sourcePart } from '../vehicle/network'
import type { Vehicle } from '../vehicle/schema'
import { finishedPoints } from './change'
import type { Running } from './events/kind'
import { callOf, currentStage, pointFact, routedBleederOf, sourceOf } from './points'

/** Whether one pedal that comes up can draw air through these lines as far as the chamber: it takes back one stroke. */
function reachesChamber(vehicle: Vehicle, { lines, sourceId }: Route): boolean {
  const lineVolumeMl = lines.reduce((sum, line) => sum + lineMl(line), 0)
  return lineVolumeMl < (strokeMl(vehicle, sourceId) ?? 0)
}

/** What air that was drawn in asks for. */
export const airSchema = z.object({
  says: factSchema,
  /** Finished places it may have reached. */
  doubtful: z.array(z.string().max(200)),
  /** The most that came back through the joint; the first versions, and where nobody knows, have none. */
  drawnInMl: z.number().min(0).optional(),
})
export type Air = z.output<typeof airSchema>

/**
 * Which finished places, of this stage or any before it, air drawn in at a point may have reached, and what that says:
 * bleeders of the parts it passes on its way up, and the cylinder where one stroke draws it that far.
 *
 * @source common practice
 */
export function airReaches(
  state: Running,
  point: string,
  how: 'foot-slipped' | 'hose-came-off' | 'left-open',
): Air {
  const { vehicle } = state
  const stageRun = currentStage(state.run)
  const placed = routedBleederOf(vehicle, point)
  const route = placed?.route
  const passed = new Set([placed?.part.id, ...(route?.lines.map(({ from }) => from) ?? [])])
  const atChamber = route && reachesChamber(vehicle, route) ? route.sourceId : undefined
  const cylinder = atChamber === undefined ? undefined : sourcePart(vehicle, atChamber)?.id
  const reached = (id: string) => {
    const part = routedBleederOf(vehicle, id)?.part.id
    if (part === undefined) return id === atChamber
    return passed.has(part) || part === cylinder
  }
  const doubtful = finishedPoints(state.run).filter((id) => id !== point && reached(id))
  const upstream =
    doubtful.length > 0
      ? fact('air-upstream-doubtful', { doubtful: doubtful.map((id) => pointFact(vehicle, id)) })
      : fact(stageRun && callOf(stageRun.stage).withCab ? 'air-upstream-cylinder' : 'air-upstream-nothing')
  const act = fact(`act-${how}`)
  // A pedal takes back one stroke at most; nobody knows what a hose or an open joint let in.
  const source = sourceOf(vehicle, point)
  const drawnInMl = how === 'foot-slipped' && source !== undefined ? strokeMl(vehicle, source) : undefined
  return drawnInMl === undefined
    ? { says: fact('air-drawn', { how: act, point, upstream }), doubtful }
    : { says: fact('air-drawn-back', { how: act, point, drawnInMl, upstream }), doubtful, drawnInMl }
}
