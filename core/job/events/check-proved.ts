import { z } from 'zod'
import { fact } from '../../base/decision'
import { checksFor, proofFact, provedFirst, withinLimit } from '../proofs/checks'
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
    if (!state.run || !bleedDone(state)) return fact('not-bled')
    const check = checksFor(state).find(({ id }) => id === event.check)
    if (!check) return fact('no-such-check')
    if (!event.passed) return undefined
    if (check.measure && event.value === undefined) return fact('measure-missing')
    const first = provedFirst(state, check).filter(({ id }) => !state.proofs[id]?.passed)
    if (first.length > 0) return fact('pedal-first', { checks: first.map(({ id }) => proofFact(id)) })
    return tooSoon(check.holdS, event.heldS)
  },
  // Beyond its limit it failed, whoever says otherwise.
  complete(state, event) {
    const check = checksFor(state).find(({ id }) => id === event.check)
    const beyond = check?.measure && event.value !== undefined && !withinLimit(check, event.value)
    return event.passed && beyond ? { ...event, passed: false } : event
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
