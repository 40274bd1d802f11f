import { z } from 'zod'
import { fact } from '../../base/decision'
import { checksFor } from '../proofs/checks'
import { bleedDone } from '../selectors'
import { tooSoon } from '../timers'
import type { EventKind } from './kind'
import { heldS, note, short, stamp } from './stamp'

export const checkProvedSchema = z.object({
  ...stamp,
  type: z.literal('check-proved'),
  check: short,
  value: z.number().optional(),
  passed: z.boolean(),
  heldS: heldS.optional(),
  note,
})

/** One proof passed or failed. */
export const checkProved: EventKind<z.output<typeof checkProvedSchema>> = {
  type: 'check-proved',
  schema: checkProvedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  refuse(state, event) {
    if (!state.run || !bleedDone(state.run)) return fact('not-bled')
    const check = checksFor(state).find(({ id }) => id === event.check)
    if (!check) return fact('no-such-check')
    return event.passed ? tooSoon(check.holdS, event.heldS) : undefined
  },
  apply(state, { check, passed, value, note: said, at, by }) {
    // What was held was held for this try: the next one is timed anew.
    const { [check]: _over, ...timers } = state.run?.timers ?? {}
    return {
      ...state,
      run: state.run && { ...state.run, timers },
      proofs: { ...state.proofs, [check]: { passed, value, note: said, at, by } },
    }
  },
}
