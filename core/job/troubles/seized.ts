import { z } from 'zod'
import { fact } from '../../base/decision'
import { currentStage, openPoint, openPoints, pointOf, routedBleederOf } from '../points'
import { cannot, Draft, idField, type Trouble } from './trouble'

/** Bleeders that everything else waits for: air let out downstream would come from upstream again. */
const UPSTREAM: ReadonlySet<string> = new Set(['control-unit', 'valve', 'master-cylinder'])

export const seizedSaid = z.object({ what: z.literal('seized'), point: idField })

/** A bleeder that will not turn is soaked and waits, while the others go on; it is never passed over. */
export const seized: Trouble<typeof seizedSaid> = {
  schema: seizedSaid,
  decide(state, { point }, id) {
    const { run, vehicle } = state
    const stageRun = currentStage(run)
    const progress = stageRun && pointOf(stageRun, point)
    if (!stageRun || !progress || progress.finished) return cannot('not-worked-at')
    if (openPoints(run).includes(point)) return cannot('open-not-seized')
    const placed = routedBleederOf(vehicle, point)
    const waits = placed !== undefined && UPSTREAM.has(placed.part.type)
    const draft = new Draft(state, id)
    // A foot that is down for it may come up where nothing is open; another bleeder may be.
    const down = openPoint(run) === undefined && ['pressing', 'holding'].includes(run.call)
    if (down) draft.do({ op: 'call', to: 'closed' })
    if (!waits)
      draft.do({ op: 'reorder', points: [...stageRun.points.filter((each) => each !== point), point] })
    draft.do({ op: 'mark', point, trouble: 'seized' })
    return {
      says: fact(waits ? 'trouble-seized-upstream' : 'trouble-seized', { point }),
      startAgain: [],
      changes: draft.changes,
    }
  },
}
