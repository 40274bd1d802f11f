import type { JobEvent } from '~core/job/events'

/** Two clocks of a shop may differ by so much. @source from memory */
const APART_MS = 10 * 60_000

/**
 * The act with its time put right where the screen's clock is wrong: then it happened as long ago as the screen kept
 * it, by the server's clock, and what the screen said stands beside it. A job's acts cannot lie before it was opened.
 */
export function withTimePutRight<E extends JobEvent>(act: E, openedAt: string, nowMs: number): E {
  const happenedMs = nowMs - (act.waitedS ?? 0) * 1000
  const saidMs = Date.parse(act.at)
  const openedMs = Date.parse(openedAt)
  if (Math.abs(saidMs - happenedMs) <= APART_MS && saidMs >= openedMs - APART_MS) return act
  const at = new Date(Math.max(happenedMs, Math.min(openedMs, nowMs))).toISOString()
  return { ...act, at, screenAt: act.at }
}
