import { BUILD, BUILD_HEADER } from '~/lib/build'
import { type Fact, fact } from '~core/base/decision'
import type { FloorEvent } from '~core/job/events'
import type { JobState } from '~core/job/state'
import { fromWire, type WireJob } from '~core/job/wire'
import { heardFrom, otherBuild } from './other-build'

/** How requests leave, and how long an answer is waited for. */
export type Way = { fetch: typeof fetch; patienceMs: number }
const usualWay = (): Way => ({ fetch: window.fetch.bind(window), patienceMs: 5000 })

/** What the server said to an event: taken, refused, not now (and why), or nothing at all. */
export type Answer =
  /** `beyondMl`: poured beyond what the container held, which only the shelf's book knows. */
  | { kind: 'taken'; length: number; beyondMl?: number }
  | { kind: 'refused'; why: Fact; state?: JobState }
  /** The server cannot make anything of it, whenever it is sent. */
  | { kind: 'unread'; why: Fact }
  | { kind: 'nobody-here' }
  | { kind: 'not-now'; why: Fact }
  | { kind: 'no-answer' }

/** Not an event, no such job, too large: sent again it is the same. */
const UNREADABLE = new Set([400, 404, 413, 422])

type Body = { length?: number; beyondMl?: number; refusal?: Fact; state?: WireJob }

type ManyBody = { taken?: number; length?: number; beyondMl?: Record<string, number> }

async function post(jobId: string, body: object, { fetch, patienceMs }: Way): Promise<Response> {
  const response = await fetch(`/jobs/${jobId}/events`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', [BUILD_HEADER]: BUILD },
    body: JSON.stringify(body),
    signal: AbortSignal.timeout(patienceMs),
  })
  heardFrom(response)
  return response
}

/** Send one event. Whatever is neither taken nor refused is sent again. */
export async function sendEvent(jobId: string, event: FloorEvent, way = usualWay()): Promise<Answer> {
  try {
    const response = await post(jobId, event, way)
    if (response.status === 401) return { kind: 'nobody-here' }
    const { length, beyondMl, refusal, state } = (await response.json()) as Body
    if (response.ok && length !== undefined) return { kind: 'taken', length, beyondMl }
    // Only the job itself can refuse an act for good; whatever else is in the way may go away.
    if (response.status === 409 && refusal) {
      // A state that another build made may have another shape: the page learns of it once it is loaded anew.
      const readable = state !== undefined && otherBuild() === undefined
      return { kind: 'refused', why: refusal, state: readable ? fromWire(state) : undefined }
    }
    if (UNREADABLE.has(response.status)) return { kind: 'unread', why: refusal ?? fact('server-refused') }
    return { kind: 'not-now', why: refusal ?? fact('server-fault') }
  } catch {
    return { kind: 'no-answer' }
  }
}

/** How many of a list of acts the server has now; none where it has yet to say why not of the first, sent by itself. */
export type AnswerToMany =
  | { kind: 'taken'; taken: number; length: number; beyondMl: Record<string, number> }
  | { kind: 'one-by-one' }
  | { kind: 'no-answer' }

/** Send what has gathered in one request: a screen that was away would wait for as many answers as it has acts. */
export async function sendEvents(
  jobId: string,
  events: readonly FloorEvent[],
  way = usualWay(),
): Promise<AnswerToMany> {
  try {
    const response = await post(jobId, events, way)
    const { taken, length, beyondMl = {} } = (await response.json()) as ManyBody
    // A server of an earlier release takes no lists.
    if (!response.ok || !taken || length === undefined) return { kind: 'one-by-one' }
    return { kind: 'taken', taken, length, beyondMl }
  } catch {
    return { kind: 'no-answer' }
  }
}

/** How acts of one job reach the server: one by itself, or what has gathered. */
export type ActWire = {
  send: (event: FloorEvent) => Promise<Answer>
  sendMany: (events: readonly FloorEvent[]) => Promise<AnswerToMany>
}
export const wireOf = (jobId: string): ActWire => ({
  send: (event) => sendEvent(jobId, event),
  sendMany: (events) => sendEvents(jobId, events),
})

/** @returns undefined where the server could not be reached or has nothing newer; the screen keeps what it has */
export async function newerState(
  jobId: string,
  have: number,
  way = usualWay(),
): Promise<JobState | undefined> {
  try {
    const response = await way.fetch(`/jobs/${jobId}/events?have=${have}`, {
      signal: AbortSignal.timeout(way.patienceMs),
    })
    heardFrom(response)
    if (response.status !== 200 || otherBuild() !== undefined) return undefined
    return fromWire(((await response.json()) as { state: WireJob }).state)
  } catch {
    return undefined
  }
}
