import { z } from 'zod'
import { fact } from '../../base/decision'
import { jointIdAt } from '../joints'
import { leakCheckAhead, mendStep, namedPoints } from './parts'
import { reach } from './reach'
import { callFirst, cannot, Draft, idField, type Trouble } from './trouble'

export const leakingSaid = z.object({ what: z.literal('leaking'), line: idField })

/** A hose or a nut that weeps is mended, whatever lies beyond it is bled anew, and both its ends are joints from then on. */
export const leaking: Trouble<typeof leakingSaid> = {
  schema: leakingSaid,
  decide(state, { line }, id) {
    const leaks = state.vehicle.lines.find((each) => each.id === line)
    if (!leaks) return cannot('no-such-line')
    const busy = callFirst(state.run)
    if (busy) return busy
    const draft = new Draft(state, id)
    draft.do({ op: 'proofs-void' })
    const points = reach(state, draft, { opened: [line] })
    leakCheckAhead(draft)
    const joints = [leaks.from, leaks.to].map((end) => jointIdAt(leaks, end))
    draft.do({ op: 'joints-turned', joints })
    draft.do({ op: 'mend', steps: [mendStep(id, 'mended', 'line-mended', { line })] })
    return {
      says: fact('trouble-leaking', { line, points: namedPoints(state.vehicle, points, 'no-place') }),
      startAgain: points,
      changes: draft.changes,
    }
  },
}
