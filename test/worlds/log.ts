import type { Answer, AnswerToMany } from '~/client/job/send'
import { applyEvent } from '~core/job/apply'
import type { FloorEvent } from '~core/job/events'
import type { JobState } from '~core/job/state'

/** The other end of the wire: the same reducer, each event once. */
export class Log {
  readonly known = new Set<string>()
  constructor(public state: JobState) {}
  take(event: FloorEvent): Answer {
    const applied = this.known.has(event.id)
      ? { ok: true as const, state: this.state }
      : applyEvent(this.state, event)
    if (!applied.ok) return { kind: 'refused', why: applied.refusal, state: this.state }
    this.known.add(event.id)
    this.state = applied.state
    return { kind: 'taken', length: applied.state.length }
  }
  takeMany(events: readonly FloorEvent[]): AnswerToMany {
    const stopped = events.findIndex((event) => this.take(event).kind !== 'taken')
    const taken = stopped === -1 ? events.length : stopped
    return taken === 0
      ? { kind: 'one-by-one' }
      : { kind: 'taken', taken, length: this.state.length, beyondMl: {} }
  }
}
