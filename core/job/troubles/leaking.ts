import { z } from 'zod'
import { fact } from '../../base/decision'
import { leakCheckAhead, mendStep, namedPoints } from './parts'
import { reach } from './reach'
import { callFirst, cannot, Draft, idField, type Trouble } from './trouble'

export const leakingSaid = z.object({ what: z.literal('leaking'), line: idField })

/** A hose or a nut that weeps is mended, and whatever lies beyond it is bled anew. */
export const leaking: Trouble<typeof leakingSaid> = {
  schema: leakingSaid,
  decide(state, { line }, id) {
    if (!state.vehicle.lines.some((each) => each.id === line)) return cannot('no-such-line')
    const busy = callFirst(state.run)
    if (busy) return busy
    const draft = new Draft(state, id)
    draft.do({ op: 'proofs-void' })
    const points = reach(state, draft, { opened: [line] })
    leakCheckAhead(draft)
    draft.do({ op: 'mend', steps: [mendStep(id, 'mended', 'line-mended', { line })] })
    return {
      says: fact('trouble-leaking', { line, points: namedPoints(state.vehicle, points, 'no-place') }),
      startAgain: points,
      changes: draft.changes,
    }
  },
}
