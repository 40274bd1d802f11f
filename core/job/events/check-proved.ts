import { z } from 'zod'
import { fact } from '../../base/decision'
import { reservoirFact } from '../../vehicle/parts'
import { notDry } from '../joints'
import { notAtMax } from '../levels'
import { offFact, stillOff, waitsFor } from '../off-things'
import { checksFor, type ProofCheck, proofFact, provedFirst, withinLimit } from '../proofs/checks'
import { placesLeft } from '../proofs/places'
import { withoutProofs } from '../proofs/voids'
import { bleedDone } from '../selectors'
import type { FailedProof, JobState } from '../state'
import { tooSoon } from '../timers'
import { pedalDeeper, unitsNotSound } from '../unit-ledger'
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
  /** What was done about it since it failed. */
  remedy: note.optional(),
  /** What had been proved and rests on this: it is proved anew. Worked out when this failed. */
  voids: z.array(short).max(100).optional(),
})
type CheckProved = z.output<typeof checkProvedSchema>

/** What was proved and comes after a check: it was proved on something that does not hold. */
function provedAfter(state: JobState, check: string): string[] {
  const order = checksFor(state).map(({ id }) => id)
  return order.slice(order.indexOf(check) + 1).filter((id) => state.proofs[id] !== undefined)
}

/** Beyond its limit it failed, whoever says otherwise. */
const passes = (check: ProofCheck | undefined, { passed, value }: CheckProved): boolean =>
  passed && (check?.measure === undefined || value === undefined || withinLimit(check, value))

/** What failed stays known; what was said to be done about it stands beside the last time that it failed. */
function withFailure(
  failed: FailedProof[] | undefined,
  { check, passed, value, note: said, at, by, remedy }: CheckProved,
): FailedProof[] | undefined {
  if (!passed) return [...(failed ?? []), { check, value, note: said, at, by }]
  const last = failed?.findLastIndex((each) => each.check === check) ?? -1
  return remedy === undefined || last < 0
    ? failed
    : failed?.map((each, i) => (i === last ? { ...each, remedy } : each))
}

/** One proof passed or failed. */
export const checkProved: EventKind<CheckProved> = {
  type: 'check-proved',
  schema: checkProvedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  wentWrong: ({ passed }) => !passed,
  refuse(state, event) {
    if (!state.run || !bleedDone(state)) return fact('not-bled')
    const check = checksFor(state).find(({ id }) => id === event.check)
    if (!check) return fact('no-such-check')
    if (!passes(check, event)) return undefined
    const first = provedFirst(state, check)
    if (first.length > 0) return fact('proof-first', { checks: first.map(({ id }) => proofFact(id)) })
    if (check.measure && event.value === undefined) return fact('measure-missing')
    const [offMax] = check.atMax ? notAtMax(state) : []
    if (offMax)
      return fact(offMax.missingMl > 0 ? 'level-below-max' : 'level-above-max', {
        reservoir: reservoirFact(state.vehicle, offMax.reservoir),
        aboutMl: Math.round(Math.abs(offMax.missingMl)),
      })
    const [left] = placesLeft(state, check)
    if (left) return fact('place-first', { place: left.says })
    const wet = check.joints ? notDry(state) : []
    if (wet.length > 0) return fact('joints-not-dry', { joints: wet.map(({ id }) => id) })
    const off = check.allBack ? stillOff(state).filter((thing) => waitsFor(thing, state) === undefined) : []
    if (off.length > 0) return fact('still-off', { things: off.map(offFact) })
    const unsound =
      check.units &&
      unitsNotSound(state, check.units === 'driven' ? state.proofs['road-test']?.at : undefined)
    if (unsound) return unsound
    const deeper = check.pedalAsBefore && pedalDeeper(state)
    if (deeper) return deeper
    // What failed is not ticked again: something was done about it first.
    if (state.proofs[check.id]?.passed === false && !event.remedy?.trim()) return fact('remedy-missing')
    return tooSoon(check.holdS, event.heldS)
  },
  complete(state, { voids: _sent, ...event }) {
    const passed = passes(
      checksFor(state).find(({ id }) => id === event.check),
      event,
    )
    const voids = passed ? [] : provedAfter(state, event.check)
    return { ...event, passed, ...(voids.length > 0 && { voids }) }
  },
  apply(state, event) {
    const { check, passed, value, note: said, remedy, voids = [], at, by } = event
    // What was held was held for this try: the next one is timed anew.
    const { [check]: _over, ...timers } = state.run?.timers ?? {}
    const failedProofs = withFailure(state.failedProofs, event)
    return {
      ...state,
      ...(failedProofs && { failedProofs }),
      run: state.run && { ...state.run, timers },
      proofs: {
        ...withoutProofs(state.proofs, voids),
        [check]: { passed, value, note: said, at, by, ...(remedy !== undefined && { remedy }) },
      },
    }
  },
}
