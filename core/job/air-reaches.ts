import { type Fact, fact } from '../base/decision'
import { lineMl } from '../plan/volumes'
import { strokeMl } from '../technique/strokes'
import { type Run, sourcePart } from '../vehicle/network'
import type { Vehicle } from '../vehicle/schema'
import { finishedPoints } from './change'
import type { Running } from './events/kind'
import { bleederRunOf, callOf, currentStage, pointFact } from './points'

/** Whether one pedal that comes up can draw air through these lines as far as the chamber: it takes back one stroke. */
function reachesChamber(vehicle: Vehicle, { lines, sourceId }: Run): boolean {
  const lineVolumeMl = lines.reduce((sum, line) => sum + lineMl(line), 0)
  return lineVolumeMl < (strokeMl(vehicle, sourceId) ?? 0)
}

/**
 * Which finished places, of this stage or any before it, air drawn in at a point may have reached, and what that says:
 * bleeders of the parts it passes on its way up, and the cylinder where one stroke draws it that far.
 *
 * @source common practice
 */
export function airReaches(state: Running, point: string, how: Fact) {
  const { vehicle } = state
  const stageRun = currentStage(state.run)
  const placed = bleederRunOf(vehicle, point)
  const run = placed?.run
  const passed = new Set([placed?.part.id, ...(run?.lines.map(({ from }) => from) ?? [])])
  const atChamber = run && reachesChamber(vehicle, run) ? run.sourceId : undefined
  const cylinder = atChamber === undefined ? undefined : sourcePart(vehicle, atChamber)?.id
  const reached = (id: string) => {
    const part = bleederRunOf(vehicle, id)?.part.id
    if (part === undefined) return id === atChamber
    return passed.has(part) || part === cylinder
  }
  const doubtful = finishedPoints(state.run).filter((id) => id !== point && reached(id))
  const upstream =
    doubtful.length > 0
      ? fact('air-upstream-doubtful', { doubtful: doubtful.map((id) => pointFact(vehicle, id)) })
      : fact(stageRun && callOf(stageRun.stage).withCab ? 'air-upstream-cylinder' : 'air-upstream-nothing')
  return { says: fact('air-drawn', { how, point, upstream }), doubtful }
}
