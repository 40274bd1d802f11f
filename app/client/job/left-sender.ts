import { type Fact, fact } from '~core/base/decision'
import type { FloorEvent } from '~core/job/events'
import type { Link, PendingStore } from './job-client'
import type { Left } from './queue'
import type { ActWire } from './send'
import { type Hindrance, sendGathered } from './send-gathered'

/** How what was left stands: of each job what waits, what was sent since this page began, and what was not taken. */
export type LeftBehind = {
  jobs: readonly (Left & { sent: number })[]
  link: Link
  /** What keeps it from being saved now. */
  why?: Fact
}

/** Where what was left lies, and how it leaves. */
export type LeftWays = {
  left: () => Promise<Left[]>
  storeOf: (job: Left) => PendingStore
  wireOf: (jobId: string) => ActWire
  /** Whether a page of the job is open here, which sends its acts by itself and tells what becomes of them. */
  tended: (jobId: string) => boolean
}

const RETRY_MS = 5000

/**
 * Sends what this browser has of jobs whose page is not open in it: whoever goes on in the yard, or whose tablet started
 * anew, has still done it. Nobody is there to be told of an act that is refused, so it is set aside with its reason.
 */
export class LeftSender {
  /** Whoever begins anew takes over from the one before, who may be waiting for an answer. */
  private turn = 0
  private current: LeftBehind = { jobs: [], link: 'sending' }
  private readonly sent = new Map<string, Left & { sent: number }>()
  private readonly watchers = new Set<() => void>()

  constructor(
    private readonly ways: LeftWays,
    private readonly retryMs = RETRY_MS,
  ) {}

  snapshot = (): LeftBehind => this.current
  subscribe = (watch: () => void): (() => void) => {
    this.watchers.add(watch)
    return () => this.watchers.delete(watch)
  }

  /** Send until nothing waits; what was sent before is no longer told. */
  async begin(): Promise<void> {
    const turn = ++this.turn
    this.sent.clear()
    await this.show(undefined)
    let hindrance: Hindrance | undefined
    do {
      hindrance = await this.round(turn)
      if (turn !== this.turn) return
      await this.show(hindrance)
      if (hindrance) await new Promise((resume) => setTimeout(resume, this.retryMs))
    } while (turn === this.turn && (hindrance || this.waits()))
  }
  end(): void {
    this.turn++
  }

  private waits = (): boolean => this.current.jobs.some(({ waiting }) => waiting > 0)

  /** Every job once. @returns what stopped it; the next job would meet it too */
  private async round(turn: number): Promise<Hindrance | undefined> {
    try {
      for (const job of await this.untended()) {
        const hindrance = job.waiting > 0 ? await this.sendOf(job, turn) : undefined
        if (hindrance) return hindrance
      }
      return undefined
    } catch (fault) {
      // Of all that is done here only the browser's own store throws.
      return { kind: 'not-now', why: fact('browser-store-fails', { said: String(fault) }) }
    }
  }
  private async sendOf(job: Left, turn: number): Promise<Hindrance | undefined> {
    const store = this.ways.storeOf(job)
    for (;;) {
      const queue = await store.left()
      if (queue.length === 0 || turn !== this.turn || this.ways.tended(job.jobId)) return undefined
      const settled = await sendGathered(queue, this.ways.wireOf(job.jobId))
      if (settled.kind === 'taken') await this.taken(job, store, settled.events)
      else if (settled.kind === 'refused' || settled.kind === 'unread') {
        await store.setAside(settled.event, settled.why)
        await store.drop(settled.event.id)
      } else return settled
    }
  }
  private async taken(job: Left, store: PendingStore, events: readonly FloorEvent[]) {
    for (const { id } of events) await store.drop(id)
    const before = this.sent.get(job.jobId)?.sent ?? 0
    this.sent.set(job.jobId, { ...job, sent: before + events.length })
  }

  private async untended(): Promise<Left[]> {
    return (await this.ways.left()).filter(({ jobId }) => !this.ways.tended(jobId))
  }
  private async show(hindrance: Hindrance | undefined) {
    // Where the browser's store fails, what was last known of it stands.
    const untended = await this.untended().catch(() => this.current.jobs)
    const has = new Map<string, Left & { sent: number }>()
    for (const job of untended) has.set(job.jobId, { ...job, sent: 0 })
    for (const [jobId, job] of this.sent)
      if (!this.ways.tended(jobId))
        has.set(jobId, { ...job, waiting: 0, aside: 0, ...has.get(jobId), sent: job.sent })
    this.current = {
      jobs: [...has.values()],
      link: linkAfter(hindrance),
      why: hindrance?.kind === 'not-now' ? hindrance.why : undefined,
    }
    for (const watch of this.watchers) watch()
  }
}

function linkAfter(hindrance: Hindrance | undefined): Link {
  if (!hindrance) return 'sending'
  return hindrance.kind === 'no-answer' ? 'offline' : hindrance.kind
}
