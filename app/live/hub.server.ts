import { EventEmitter } from 'node:events'
import { noPhone, type Phone } from '~core/cab/agree'

/** Jobs that went on, told to whoever has a stream open in this process. */
const changes = new EventEmitter().setMaxListeners(0)

/** Say that a job has another event; only after it is committed. */
export const jobChanged = (jobId: string): void => void changes.emit(jobId)

/** Hear of a job's events until it is called off. */
export function onJobChange(jobId: string, hear: () => void): () => void {
  changes.on(jobId, hear)
  return () => changes.off(jobId, hear)
}

/** A phone says so often that it is there. */
export const BEAT_MS = 2000
const LATE_MS = 2.5 * BEAT_MS
const LOST_MS = 5 * BEAT_MS

type Beat = { atMs: number; dark: boolean; shows: number }
const beats = new Map<string, Beat>()

/** Phones heard of, told to the bay that waits for them. */
const heard = new EventEmitter().setMaxListeners(0)

/** A phone was heard of, with the turn of the call that it shows. */
export function phoneBeat(
  jobId: string,
  { dark, shows }: { dark: boolean; shows: number },
  nowMs = Date.now(),
): void {
  const before = beats.get(jobId)
  beats.set(jobId, { atMs: nowMs, dark, shows })
  if (before?.dark !== dark || before.shows !== shows) heard.emit(jobId)
}
/** A phone is linked that nobody here has heard of yet, as after a restart: it counts as lost until it speaks. */
export function phoneExpected(jobId: string): void {
  if (!beats.has(jobId)) beats.set(jobId, { atMs: Number.NEGATIVE_INFINITY, dark: false, shows: 0 })
}
export function onPhone(jobId: string, hear: () => void): () => void {
  heard.on(jobId, hear)
  return () => heard.off(jobId, hear)
}
export function phoneGone(jobId: string): void {
  beats.delete(jobId)
  heard.emit(jobId)
  jobChanged(jobId)
}

/** How a job's phone stands, by when it was last heard of. */
export function phoneOf(jobId: string, nowMs = Date.now()): Phone {
  const beat = beats.get(jobId)
  if (!beat) return noPhone
  const silentMs = nowMs - beat.atMs
  const link = beat.dark ? 'dark' : silentMs > LOST_MS ? 'lost' : silentMs > LATE_MS ? 'late' : 'linked'
  return { link, shows: beat.shows }
}
