import { z } from 'zod'
import { fact } from '../../base/decision'
import { UNPLUGGED_UNIT } from '../../technique/standing'
import { advance } from '../advance'
import { withAway } from '../standing'
import { currentStep } from '../steps'
import { mayNotPower } from '../unit-ledger'
import { type EventKind, onRun, refuseOnRun } from './kind'
import { short, stamp } from './stamp'

export const putAwaySchema = z.object({ ...stamp, type: z.literal('put-away'), thing: short })

/** Something that stood is taken away where no step of the plan does it: a plan that was given up left it behind. */
export const putAway: EventKind<z.output<typeof putAwaySchema>> = {
  type: 'put-away',
  schema: putAwaySchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  refuse: refuseOnRun((state, { thing }) => {
    if (currentStep(state)?.away !== thing) return fact('step-not-now')
    return thing === UNPLUGGED_UNIT ? mayNotPower(state) : undefined
  }),
  apply: onRun((state, { thing }) =>
    advance({ ...state, standing: withAway(state.standing, thing) }, state.run),
  ),
}
