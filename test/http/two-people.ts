import { EventSource } from 'eventsource'
import { CabClient, type CabWire } from '~/client/cab/cab-client'
import { JobClient, type PendingStore } from '~/client/job/job-client'
import { JobFeed } from '~/client/job/job-feed'
import { newerState, sendEvent, sendEvents, type Way } from '~/client/job/send'
import type { OpenStream } from '~/client/live/live-stream'
import type { Chance } from '~core/base/random'
import { isUnheard, phoneAgrees, phoneNotYetHeard } from '~core/cab/agree'
import type { CabView } from '~core/cab/view'
import { carefulAct } from '~core/job/careful'
import type { FloorEvent } from '~core/job/events'
import type { JobState } from '~core/job/state'

/** Where a client sends to, and what lets it in. */
export type Door = { url: string; cookie: string }

const PATIENCE_MS = 1000
/** The server beats every two seconds. */
const SILENCES = { lateMs: 2200, lostMs: 2600, lookMs: 50 }

/** Node's own fetch may wait for ever where a socket dies as its request is given up: a clock of ours ends it. */
const through =
  ({ url, cookie }: Door): typeof fetch =>
  (path, init) => {
    const asked = async () => {
      const headers = { ...init?.headers, Cookie: cookie, Origin: url }
      const answer = await fetch(`${url}${path}`, { ...init, headers })
      return new Response(answer.status === 204 ? null : await answer.text(), { status: answer.status })
    }
    const tooLate = new Promise<never>((_, fail) =>
      setTimeout(() => fail(new Error('too late')), PATIENCE_MS),
    )
    return Promise.race([asked(), tooLate])
  }

/** A stream as Node opens it, with a cookie of its own. */
export const opensThrough =
  ({ url, cookie }: Door): OpenStream =>
  (path, hear) => {
    const stream = new EventSource(`${url}${path}`, {
      fetch: (address, init) => fetch(address, { ...init, headers: { ...init.headers, Cookie: cookie } }),
    })
    for (const [name, heard] of Object.entries(hear)) stream.addEventListener(name, ({ data }) => heard(data))
    return stream
  }

const kept = (): PendingStore => {
  const events = new Map<string, FloorEvent>()
  return {
    left: async () => [...events.values()],
    keep: async (event) => void events.set(event.id, event),
    setAside: async () => {},
    drop: async (id) => void events.delete(id),
  }
}

/** The bay's own client, worked by a careful technician who now and then takes an act back. */
export class Wheel {
  readonly client: JobClient
  private readonly feed: JobFeed
  /** Bleeders closed so far. */
  closings = 0

  constructor(door: Door, jobId: string, state: JobState) {
    const way: Way = { fetch: through(door), patienceMs: PATIENCE_MS }
    const wire = {
      send: (event: FloorEvent) => sendEvent(jobId, event, way),
      sendMany: (events: readonly FloorEvent[]) => sendEvents(jobId, events, way),
      newer: (have: number) => newerState(jobId, have, way),
    }
    this.client = new JobClient(state, wire, kept(), 100)
    this.feed = new JobFeed(
      jobId,
      {
        have: () => this.client.have,
        hear: (place, event) => this.client.hear(place, event),
        beat: (told) => this.client.told(told),
      },
      phoneNotYetHeard,
      opensThrough(door),
      SILENCES,
    )
    this.feed.begin()
  }

  /** One look at the screen, and what follows from it. */
  goOn(chance: Chance): void {
    const { state, waiting } = this.client.snapshot()
    // Nobody works on for long while nothing is saved.
    if (waiting > 3) return
    const phone = this.feed.snapshot()
    const last = state.undoable.at(-1)
    if (last && state.run?.call !== 'closed' && chance.yes(0.03)) {
      this.client.act({ type: 'undone', event: last.eventId })
      return
    }
    const careful = carefulAct(state)
    const turn = state.callTurn ?? 0
    if (careful?.type !== 'call') {
      // Little comes with each pull, so that there are many.
      if (careful) this.client.act(careful.type === 'pull-seen' ? { ...careful, ml: 1 } : careful)
      return
    }
    // The cab speaks for itself, and an unheard phone freezes everything but closing.
    if (careful.act === 'holding' || careful.act === 'release') return
    if (isUnheard(phone) && careful.act !== 'close') return
    if (careful.act !== 'close' && !phoneAgrees(phone, turn)) return
    if (careful.act === 'close') this.closings++
    this.client.act({ ...careful, seen: { ...careful.seen, turn } })
  }
  end(): void {
    this.client.end()
    this.feed.end()
  }
}

/** What a phone showed, from when. */
export type Shown = { says: CabView['says']; at: number }

/** The phone's own client in the hand of a helper, whose foot slips now and then. */
export class Cab {
  readonly client: CabClient
  readonly shown: Shown[] = []

  constructor(door: Door, view: CabView) {
    const send = through(door)
    const wire: CabWire = {
      open: opensThrough(door),
      async post(path, patienceMs, body) {
        const headers = { 'Content-Type': 'application/json' }
        const signal = AbortSignal.timeout(patienceMs)
        const answer = await send(path, { method: 'POST', signal, headers, body })
        return { status: answer.status, text: await answer.text() }
      },
    }
    const times = { ...SILENCES, beatMs: 500, patienceMs: PATIENCE_MS }
    this.client = new CabClient(view, wire, times)
    this.client.subscribe(() => this.look())
    this.client.begin()
    this.look()
  }
  private turn = -1
  private look() {
    const { view, link } = this.client.snapshot()
    const says = link === 'lost' ? 'hold' : view.says
    if (this.shown.at(-1)?.says !== says) this.shown.push({ says, at: Date.now() })
    if (view.turn === this.turn) return
    this.turn = view.turn
    this.client.shown(view.turn)
  }

  goOn(chance: Chance): void {
    const { confirm, maySlip } = this.client.snapshot().view
    if (maySlip && chance.yes(0.02)) void this.client.act('foot-slipped')
    else if (confirm) void this.client.act(confirm)
  }
  end(): void {
    this.client.end()
  }
}
