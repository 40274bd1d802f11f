import { z } from 'zod'
import { bleederRunOf, currentStage, openPoint, openPoints } from '../points'
import type { RunState } from '../state'
import { withStage } from './parts'
import { cannot, idField, type Trouble } from './trouble'

/** Bleeders that everything else waits for: air let out downstream would come from upstream again. */
const UPSTREAM = new Set(['control-unit', 'valve', 'master-cylinder'])

export const seizedSaid = z.object({ what: z.literal('seized'), point: idField })

/** A bleeder that will not turn is soaked and waits, while the others go on; it is never passed over. */
export const seized: Trouble<typeof seizedSaid> = {
  title: 'Bleeder seized',
  schema: seizedSaid,
  happened(state, { point }) {
    const { run, vehicle } = state
    const stageRun = currentStage(run)
    const progress = stageRun?.at[point]
    if (!stageRun || !progress || progress.finished)
      return cannot('not-under-way', 'That bleeder is not being worked at.')
    if (openPoints(run).includes(point))
      return cannot('bleeder-open', 'It is open: close it. One that will not close is stripped.')
    const placed = bleederRunOf(vehicle, point)
    const waits = placed !== undefined && UPSTREAM.has(placed.part.type)
    const later = waits ? stageRun.points : [...stageRun.points.filter((id) => id !== point), point]
    // A foot that is down for it may come up where nothing is open; another bleeder may be.
    const down = openPoint(run) === undefined && ['pressing', 'holding'].includes(run.call)
    const call = down ? ('closed' as const) : run.call
    const changed: RunState = withStage({ ...run, call }, (each) => ({
      ...each,
      points: later,
      at: { ...each.at, [point]: { ...progress, ready: false, trouble: 'seized' } },
    }))
    const text = waits
      ? `Bleeder ${point} is seized and stands upstream, so the others wait for it. Soak it; tighten a hair before loosening, six-point spanner.`
      : `Bleeder ${point} is seized: soak it, go on with the others, and come back to it last. Nothing was opened.`
    return { state: { ...state, run: changed }, text, startAgain: [] }
  },
}
