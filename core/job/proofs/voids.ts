import type { JobState } from '../state'
import { checksFor, type ProofCheck } from './checks'

/**
 * What was passed from a proof on, in the order of the work: it says something that is no longer so. What failed stays
 * failed.
 */
export function passedFrom(state: JobState, says: (check: ProofCheck) => boolean): string[] {
  const checks = checksFor(state)
  const first = checks.findIndex(says)
  if (first < 0 || !state.proofs[checks[first]?.id ?? '']?.passed) return []
  return checks.slice(first).flatMap(({ id }) => (state.proofs[id]?.passed ? [id] : []))
}

/** Proofs without some of them. */
export const withoutProofs = (proofs: JobState['proofs'], voids: readonly string[]): JobState['proofs'] =>
  voids.length === 0
    ? proofs
    : Object.fromEntries(Object.entries(proofs).filter(([id]) => !voids.includes(id)))
