/** Wrong codes from one place: how many in a row, and until when no more are heard. Times in ms. */
export type Attempts = { wrong: number; lockedUntilMs: number }

/** After so many wrong ones in a row nothing is heard for a while. @source from memory */
export const MOST_WRONG = 5
const LOCK_MS = 5 * 60_000

export const noAttempts: Attempts = { wrong: 0, lockedUntilMs: 0 }
export const isLocked = ({ lockedUntilMs }: Attempts, nowMs: number): boolean => nowMs < lockedUntilMs

/** After one more wrong code: the fifth locks, and after the lock the count begins anew. */
export function afterWrong({ wrong }: Attempts, nowMs: number): Attempts {
  const count = wrong + 1
  return count >= MOST_WRONG
    ? { wrong: 0, lockedUntilMs: nowMs + LOCK_MS }
    : { wrong: count, lockedUntilMs: 0 }
}
