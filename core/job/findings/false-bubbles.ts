import type { Watcher } from './watch'

/** Looks in a row with the same small bubbles that make one doubt them. @source from memory */
const STEADY = 4

/**
 * Under vacuum air comes in past the bleeder's thread: small, steady, without end, while real bubbles thin out.
 * @source common practice
 */
export const falseBubbles: Watcher = ({ progress, technique, point }) => {
  if (technique.call !== 'vacuum') return undefined
  const last = (progress.looks ?? []).slice(-STEADY)
  const small = last[0] === 'string' || last[0] === 'froth'
  if (last.length < STEADY || !small || last.some((each) => each !== last[0])) return undefined
  return {
    code: 'false-bubbles',
    says: `The same small bubbles ${STEADY} times in a row at ${point}: under vacuum they may come past its thread, not out of the line.`,
    checks: [
      'Close the bleeder with the vacuum still on. They go on: the hose or its fit draws air. They stop: go on here.',
      'One pull by two people, without vacuum: no bubbles, then none were in the line.',
      'Open it less: a quarter turn draws less past the thread than a half.',
    ],
  }
}
