import { EventEmitter } from 'node:events'
import { noPhone, type Phone } from '~core/cab/agree'
import type { Recorded } from '~server/store/jobs.server'

/** Jobs that went on, told to whoever has a stream open in this process. */
const changes = new EventEmitter().setMaxListeners(0)

/** Say that a job went on; only after that is committed, with the events that its writer holds. */
export const jobChanged = (jobId: string, recorded: readonly Recorded[] = []): void =>
  void changes.emit(jobId, recorded)

/** Hear of a job's events until it is called off. */
export function onJobChange(jobId: string, hear: (recorded: readonly Recorded[]) => void): () => void {
  changes.on(jobId, hear)
  return () => changes.off(jobId, hear)
}

/** Screens that nobody is at any more: what they were shown ends. */
const left = new EventEmitter().setMaxListeners(0)
export const screenLeft = (token: string): void => void left.emit(token)
export function onScreenLeft(token: string, hear: () => void): () => void {
  left.once(token, hear)
  return () => left.off(token, hear)
}

/** A phone says so often that it is there. */
export const BEAT_MS = 2000
const LATE_MS = 2.5 * BEAT_MS
const LOST_MS = 5 * BEAT_MS

type Beat = { atMs: number; dark: boolean; shows: number }
const beats = new Map<string, Beat>()
/** The newest turn of the call that left for a job's phone: it cannot show a later one, whatever it says. */
const sent = new Map<string, number>()

/** Phones heard of, told to the bay that waits for them. */
const heard = new EventEmitter().setMaxListeners(0)

/** This turn of the call is on its way to the phone. */
export function phoneSent(jobId: string, turn: number): void {
  sent.set(jobId, Math.max(turn, sent.get(jobId) ?? 0))
}
/** A phone was heard of, with the turn of the call that it says it shows; one that it was never sent counts as none. */
export function phoneBeat(
  jobId: string,
  { dark, shows: said }: { dark: boolean; shows: number },
  nowMs = Date.now(),
): void {
  const shows = said <= (sent.get(jobId) ?? 0) ? said : 0
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
  sent.delete(jobId)
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
