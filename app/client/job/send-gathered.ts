import type { FloorEvent } from '~core/job/events'
import type { ActWire, Answer } from './send'

/** What keeps acts from being saved now, and may go away. */
export type Hindrance = Exclude<Answer, { kind: 'taken' | 'refused' | 'unread' }>
/** What the server has of acts that it took. */
export type Recorded = { length: number; beyondMl: Record<string, number> }

/** What became of what gathered: the first of it is settled, so many together, or nothing is. Events are as they were sent. */
export type Settled =
  | ({ kind: 'taken'; events: readonly FloorEvent[] } & Recorded)
  | (Extract<Answer, { kind: 'refused' | 'unread' }> & { event: FloorEvent })
  | Hindrance

/** Acts of one request: an act is some 200 bytes, and a request that does not come through is sent anew as a whole. */
const MOST_TOGETHER = 50
/** An act that waited longer than this says so, and the record with it. */
const LATE_S = 30

/** The event as it leaves: one that had to wait says how long, by the clock that it was made by. */
function asSent(event: FloorEvent): FloorEvent {
  const waitedS = Math.round((Date.now() - Date.parse(event.at)) / 1000)
  return waitedS < LATE_S ? event : { ...event, waitedS }
}

/**
 * Send what has gathered of one job in one request, or its first by itself where there is but one, or where the server
 * has yet to say why it takes none.
 *
 * @param queue in the order it was done in; not empty
 */
export async function sendGathered(queue: readonly FloorEvent[], wire: ActWire): Promise<Settled> {
  const [first, ...others] = queue.slice(0, MOST_TOGETHER).map(asSent)
  if (!first) throw new RangeError('Nothing has gathered.')
  if (others.length > 0) {
    const events = [first, ...others]
    const answer = await wire.sendMany(events)
    if (answer.kind === 'no-answer') return answer
    if (answer.kind === 'taken') return { ...answer, events: events.slice(0, answer.taken) }
  }
  const answer = await wire.send(first)
  if (answer.kind === 'refused' || answer.kind === 'unread') return { ...answer, event: first }
  if (answer.kind !== 'taken') return answer
  const { length, beyondMl } = answer
  return {
    kind: 'taken',
    events: [first],
    length,
    beyondMl: beyondMl === undefined ? {} : { [first.id]: beyondMl },
  }
}
