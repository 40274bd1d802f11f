import { fact } from '../../base/decision'
import type { Watcher } from './watch'

/** Looks in a row with the same small bubbles that make one doubt them. @source from memory */
const STEADY = 4

/**
 * Under vacuum air comes in past the bleeder's thread: small, steady, without end, while real bubbles thin out.
 * @source common practice
 */
export const falseBubbles: Watcher = ({ progress, technique, point }) => {
  if (!technique.call.drawsAtBleeder) return undefined
  const last = (progress.looks ?? []).slice(-STEADY)
  const small = last[0] === 'string' || last[0] === 'froth'
  if (last.length < STEADY || !small || last.some((each) => each !== last[0])) return undefined
  return {
    ...fact('false-bubbles', { times: STEADY, point }),
    leads: 'air-never-ends',
    checks: [fact('look-close-under-vacuum'), fact('look-one-pull'), fact('look-open-less')],
  }
}
