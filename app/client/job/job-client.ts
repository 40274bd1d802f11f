import { newId } from '~/lib/ids'
import type { Fact } from '~core/base/decision'
import { applyEvent, replayEvent } from '~core/job/apply'
import { type FloorEvent, type Person, readEvent, type Unstamped, versionOf } from '~core/job/events'
import type { JobState } from '~core/job/state'
import type { ActWire } from './send'
import { type Hindrance, type Recorded, type Settled, sendGathered } from './send-gathered'

/** What the floor screens make: an event without its stamp. */
export type FloorAct = Unstamped<FloorEvent>
export type Link = 'saved' | 'sending' | 'offline' | 'nobody-here' | 'not-now'

/** Where events wait until the server has them. */
export type PendingStore = {
  left: () => Promise<FloorEvent[]>
  keep: (event: FloorEvent) => Promise<void>
  drop: (eventId: string) => Promise<void>
  /** Kept for whoever can make something of it: the server did not take it, and nobody was told or would remember. */
  setAside: (event: FloorEvent, why: Fact) => Promise<void>
}
/** The way to the server. */
export type JobWire = ActWire & {
  /** Whether the server is of another build than this page, which then cannot tell what its states mean. */
  stale?: () => boolean
  /** @returns undefined where it could not be reached or has nothing newer */
  newer: (have: number) => Promise<JobState | undefined>
}

export type JobSnapshot = {
  state: JobState
  link: Link
  /** Why the last act was refused, or what keeps acts from being saved. */
  refusal?: Fact
  /** Whether the store took the last act: where it does not, a closed page loses what is not yet sent. */
  keeps: boolean
  /** An act is on its way into the store: a page that is left before it is there loses it. */
  keeping: boolean
  /** Acts the server has not confirmed. */
  waiting: number
  /** Acts that were set aside since this page began. */
  aside: number
  /** The last act heard of that this page did not make: its place in the log, and whose it was where that is known. */
  elsewhere: { place: number; by?: string }
}

const RETRY_MS = 2000

/**
 * A live job on one screen: every act is applied here at once by the same reducer as on the server, kept in a store,
 * and sent in order until the server has it. What the server has recorded is the truth.
 */
export class JobClient {
  private confirmed: JobState
  private queue: FloorEvent[] = []
  private sending = false
  private ended = false
  private refused?: Fact
  /** Why the server cannot save now; goes away by itself when it can, which a refused act must not. */
  private notNow?: Fact
  private current: JobSnapshot
  private readonly watchers = new Set<() => void>()
  /** Acts that the store was given and has not answered for. */
  private unkept = 0

  constructor(
    fromServer: JobState,
    private readonly wire: JobWire,
    private readonly store: PendingStore,
    private readonly retryMs = RETRY_MS,
  ) {
    this.confirmed = fromServer
    this.current = {
      state: fromServer,
      link: 'saved',
      keeps: true,
      keeping: false,
      waiting: 0,
      aside: 0,
      elsewhere: { place: 0 },
    }
  }

  snapshot = (): JobSnapshot => this.current
  subscribe = (watch: () => void): (() => void) => {
    this.watchers.add(watch)
    return () => this.watchers.delete(watch)
  }
  private show(changed: Partial<JobSnapshot>) {
    const { refused, notNow, queue, unkept } = this
    this.current = {
      ...this.current,
      ...changed,
      refusal: refused ?? notNow,
      waiting: queue.length,
      keeping: unkept > 0,
    }
    for (const watch of this.watchers) watch()
  }

  /** Take up what an earlier page left unsent. */
  async begin(): Promise<void> {
    this.ended = false
    // A browser without a store has nothing left from before; what is lost by that is said when something is kept.
    const left = await this.store.left().catch((): FloorEvent[] => [])
    const known = new Set(this.queue.map(({ id }) => id))
    this.queue = [...left.filter(({ id }) => !known.has(id)), ...this.queue]
    if (this.queue.length === 0) return
    this.rebuild({ link: 'sending' })
    void this.send()
  }
  end(): void {
    this.ended = true
  }

  act(made: FloorAct, by?: Person): void {
    const stamp = { id: newId(), at: new Date().toISOString(), ...versionOf(made.type) }
    const event = { by, ...made, ...stamp } as FloorEvent
    const applied = applyEvent(this.current.state, event)
    this.refused = applied.ok ? undefined : applied.refusal
    if (!applied.ok) {
      this.show({})
      return
    }
    this.queue.push(event)
    this.unkept++
    // Not saved from this very moment on, or the page would go on as if the server knew.
    this.show({ state: applied.state, link: this.current.link === 'saved' ? 'sending' : this.current.link })
    void this.store
      .keep(event)
      .then(
        () => true,
        () => false,
      )
      .then((keeps) => {
        this.unkept--
        this.show({ keeps })
        return this.send()
      })
  }

  /** What was recorded, here or at another screen, as the server tells it: the event, and its place in the job's log. */
  hear(place: number, stored: unknown): void {
    if (place <= this.confirmed.length) return
    const read = readEvent(stored, this.confirmed)
    // Something was missed, or this page is of an older version: the server says how the job stands.
    if (place > this.confirmed.length + 1 || !read.ok) return void this.lookAgain()
    const { value: event } = read
    this.confirmed = replayEvent(this.confirmed, event)
    const own = this.queue.some(({ id }) => id === event.id)
    if (own) this.letGo(event.id)
    this.rebuild(own ? {} : { elsewhere: { place, by: event.by?.name } })
  }
  /** How far the server has told the log; one that is behind, since an asking failed, asks again. */
  told(place: number): void {
    if (place > this.confirmed.length && !this.sending) void this.lookAgain()
  }
  /** What the server has, where that is newer than what this screen knew. */
  adopt(latest: JobState | undefined): void {
    if (!latest || latest.length < this.confirmed.length || this.wire.stale?.()) return
    this.confirmed = latest
    this.rebuild({})
  }
  /** How far this screen knows the job's log. */
  get have(): number {
    return this.confirmed.length
  }
  private async lookAgain(): Promise<void> {
    const latest = await this.wire.newer(this.confirmed.length)
    const wentOn = latest !== undefined && latest.length > this.confirmed.length
    this.adopt(latest)
    if (wentOn) this.show({ elsewhere: { place: latest.length } })
  }

  /** What the server has, with what it has not yet confirmed on top. */
  private rebuild(changed: Partial<JobSnapshot>) {
    let state = this.confirmed
    for (const event of this.queue) {
      const applied = applyEvent(state, event)
      if (applied.ok) state = applied.state
    }
    this.show({ ...changed, state })
  }
  private letGo(eventId: string) {
    this.queue = this.queue.filter(({ id }) => id !== eventId)
    // Where the store fails, one event is kept too long: sent twice, it is still recorded once.
    return this.store.drop(eventId).catch(() => undefined)
  }

  private async send(): Promise<void> {
    if (this.sending) return
    this.sending = true
    while (this.queue.length > 0 && !this.ended) {
      const hindrance = await this.sendNext()
      if (!hindrance) continue
      this.notNow = hindrance.kind === 'not-now' ? hindrance.why : this.notNow
      this.show({ link: hindrance.kind === 'no-answer' ? 'offline' : hindrance.kind })
      await new Promise((resume) => setTimeout(resume, this.retryMs))
    }
    this.sending = false
    if (this.queue.length === 0) this.show({ link: 'saved' })
  }
  /** @returns what keeps the acts from being saved now; undefined where one or more of them are settled */
  private async sendNext(): Promise<Hindrance | undefined> {
    const settled = await sendGathered(this.queue, this.wire)
    switch (settled.kind) {
      case 'taken':
        return void (await this.settle(settled.events, settled))
      case 'unread':
        return void (await this.putAside(settled.event, settled.why))
      case 'refused':
        return void (await this.giveUp(settled))
      default:
        return settled
    }
  }
  /** It is out of the way of what comes after it, and not lost. Where the store fails it stays first in the queue. */
  private async putAside(event: FloorEvent, why: Fact) {
    this.refused = why
    if (await this.keepAside(event, why)) await this.letGo(event.id)
    else {
      this.show({ keeps: false })
      await new Promise((resume) => setTimeout(resume, this.retryMs))
    }
    this.rebuild({})
  }
  /**
   * A refused act is let go of too, since another screen went on, and the person is told. Where they did it a while ago,
   * and others on top of it, or left this page, what it was stays to be read.
   */
  private async giveUp({ event, why, state }: Settled & { kind: 'refused' }) {
    this.notNow = undefined
    this.refused = why
    if (this.ended || event.waitedS !== undefined) await this.keepAside(event, why)
    await this.letGo(event.id)
    this.adopt(state)
    this.rebuild({})
  }
  /** @returns whether the store took it */
  private async keepAside(event: FloorEvent, why: Fact): Promise<boolean> {
    try {
      await this.store.setAside(event, why)
    } catch {
      return false
    }
    this.show({ aside: this.current.aside + 1 })
    return true
  }
  /** The server has these acts, the job as long as it says. */
  private async settle(events: readonly FloorEvent[], { length, beyondMl }: Recorded) {
    this.notNow = undefined
    for (const { id } of events) await this.letGo(id)
    if (this.confirmed.length < length) {
      let state: JobState | undefined = this.confirmed
      for (const event of events) state = state && asRecorded(state, event, beyondMl[event.id])
      // Nobody else was at it between: what this screen made of it is what the server has, but for what the book says.
      if (state?.length === length) this.confirmed = state
      else await this.lookAgain()
    }
    this.rebuild({})
  }
}

/** The job after an act that was taken; undefined where it does not follow on what this screen knows. */
function asRecorded(before: JobState, event: FloorEvent, beyondMl: number | undefined): JobState | undefined {
  const applied = applyEvent(before, event)
  if (!applied.ok) return undefined
  return beyondMl === undefined ? applied.state : replayEvent(before, { ...applied.event, beyondMl })
}
