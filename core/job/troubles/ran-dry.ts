import { z } from 'zod'
import { fact } from '../../base/decision'
import { partsOf, reservoirFact } from '../../vehicle/parts'
import { reservoirOfPoint } from '../points'
import { mendStep } from './parts'
import { reach } from './reach'
import { callFirst, cannot, Draft, idField, type Trouble } from './trouble'

export const ranDrySaid = z.object({ what: z.literal('ran-dry'), reservoir: idField })

/** An empty reservoir lets the cylinder draw air: filled slowly, the cylinder first, then every bleeder it feeds. */
export const ranDry: Trouble<typeof ranDrySaid> = {
  schema: ranDrySaid,
  decide(state, { reservoir }, id) {
    const { vehicle } = state
    if (!partsOf(vehicle, 'reservoir').some((each) => each.id === reservoir))
      return cannot('no-such-reservoir')
    const busy = callFirst(state.run)
    if (busy) return busy
    const name = reservoirFact(vehicle, reservoir)
    const draft = new Draft(state, id)
    draft.do({ op: 'proofs-void' })
    const points = reach(
      state,
      draft,
      { ranDry: true },
      (point) => reservoirOfPoint(vehicle, point) === reservoir,
    )
    draft.do({ op: 'level-lost', reservoir, ml: 0 }).do({
      op: 'mend',
      steps: [
        {
          ...mendStep(id, 'filled', 'slowly-filled', { reservoir: name }),
          asksMl: 'poured',
          fillsToMax: true,
          reservoir,
        },
      ],
    })
    return {
      says: fact('trouble-ran-dry', { reservoir: name }),
      startAgain: points,
      changes: draft.changes,
    }
  },
}
