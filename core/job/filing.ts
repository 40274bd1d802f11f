import { fact, type Notice } from '../base/decision'
import { offFact, stillOff } from './off-things'
import { checksFor, proofFact } from './proofs/checks'
import { bleedDone, workBegun } from './selectors'
import { allOpen } from './standing'
import type { JobState } from './state'

/** How a job can end. `kept`: judged, and nothing was done. */
export const outcomes = ['fit', 'not-fit', 'declined', 'kept'] as const
export type Outcome = (typeof outcomes)[number]

/**
 * Why a job cannot be filed so; undefined where it can. Fit to drive takes every proof; declined and kept, hands that
 * never began; the rest is not fit.
 */
export function filingRefusal(state: JobState, outcome: Outcome): Notice | undefined {
  const { run } = state
  switch (outcome) {
    case 'declined':
      return workBegun(state) ? fact('work-begun') : undefined
    case 'kept':
      if (!state.tested) return fact('kept-not-tested')
      if (workBegun(state)) return fact('work-begun')
      return state.checkIn?.work.reason === 'service' ? undefined : fact('kept-not-a-service')
    case 'not-fit':
      // Left with something open it may be, on a transporter: but only parked, with what stands open named.
      return !state.parked && (allOpen(state).length > 0 || (run && run.call !== 'rest'))
        ? fact('not-fit-open')
        : undefined
    case 'fit':
      return notFit(state)
  }
}

function notFit(state: JobState): Notice | undefined {
  if (state.parked) return fact('fit-parked')
  const [open] = allOpen(state)
  if (open !== undefined) return fact('stands-open', { point: open })
  const off = stillOff(state)
  if (off.length > 0) return fact('still-off', { things: off.map(offFact) })
  if (!state.run || !bleedDone(state)) return fact('fit-not-bled')
  const unproved = checksFor(state).filter((check) => !state.proofs[check.id]?.passed)
  return unproved.length === 0
    ? undefined
    : fact('fit-not-proved', { checks: unproved.map(({ id }) => proofFact(id)) })
}
