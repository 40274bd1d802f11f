import {
  type Hearing,
  LiveStream,
  type OpenStream,
  type Silences,
  usualSilences,
} from '~/client/live/live-stream'
import { newId } from '~/lib/ids'
import type { CabView } from '~core/cab/view'
import type { CabAct } from '~core/words/cab/told'

/** Why an act was not taken: by the server's code, or because nothing was heard of it. */
export type CabRefusal = { code: string }

export type CabSnapshot = { view: CabView; link: Hearing; sending: boolean; refusal?: CabRefusal }

/** The way to the server. */
export type CabWire = {
  open: OpenStream
  post: (path: string, patienceMs: number, body?: string) => Promise<{ status: number; text: string }>
}

/** How often the phone says it is there, how long it waits for an answer, and what silence means. */
export type CabTimes = Silences & { beatMs: number; patienceMs: number }
const usualTimes: CabTimes = { ...usualSilences, beatMs: 2000, patienceMs: 4000 }

const TRIES = 3

/** The phone's side: what the server says to show, whether it is heard of, and the cab's acts. */
export class CabClient {
  private current: CabSnapshot
  private readonly live: LiveStream
  /** The turn of the call that is really on the screen. */
  private onScreen = 0
  private beats?: ReturnType<typeof setInterval>
  private readonly watchers = new Set<() => void>()

  constructor(
    fromServer: CabView,
    private readonly wire: CabWire,
    private readonly times: CabTimes = usualTimes,
  ) {
    this.current = { view: fromServer, link: 'linked', sending: false }
    this.live = new LiveStream(
      wire.open,
      () => '/cab/stream',
      {
        beat: () => {},
        view: (data) => this.take(JSON.parse(data) as CabView),
        gone: () => this.gone(),
      },
      () => this.show({ link: this.live.hearing }),
      times,
    )
  }

  snapshot = (): CabSnapshot => this.current
  subscribe = (watch: () => void): (() => void) => {
    this.watchers.add(watch)
    return () => this.watchers.delete(watch)
  }
  private show(changed: Partial<CabSnapshot>) {
    this.current = { ...this.current, ...changed }
    for (const watch of this.watchers) watch()
  }

  begin(): void {
    this.live.begin()
    this.beat()
    this.beats = setInterval(() => this.live.isOpen && this.beat(), this.times.beatMs)
  }
  end(): void {
    this.live.end()
    clearInterval(this.beats)
  }
  open(): void {
    this.live.open()
    this.beat()
  }
  /** Hidden, a phone holds no stream and says nothing more. */
  close(): void {
    this.live.close()
  }
  private take(view: CabView) {
    // A later word may have overtaken this one: what is older is never shown again.
    if (view.length >= this.current.view.length) this.show({ view, refusal: undefined })
  }
  /** The job has ended, or another phone has taken over. */
  private gone() {
    this.end()
    const { view } = this.current
    this.show({ view: { ...view, says: 'ended', confirm: undefined, maySlip: false, wheel: 'done' } })
  }

  /** This turn of the call is on the screen now. */
  shown(turn: number): void {
    this.onScreen = turn
    this.beat()
  }
  private beat() {
    void this.wire.post(`/cab/beat?shows=${this.onScreen}`, this.times.patienceMs).catch(() => undefined)
  }

  /** Send an act of the cab, once, however often it has to be tried. */
  async act(what: CabAct): Promise<void> {
    const { seen } = this.current.view
    if (!seen || this.current.sending) return
    this.show({ sending: true, refusal: undefined })
    const refusal = await this.send(
      JSON.stringify({ id: newId(), at: new Date().toISOString(), act: what, seen }),
    )
    this.show({ sending: false, refusal })
  }
  private async send(body: string): Promise<CabRefusal | undefined> {
    for (let tries = 0; tries < TRIES; tries++) {
      try {
        const { status, text } = await this.wire.post('/cab/act', this.times.patienceMs, body)
        if (status < 300) return undefined
        if (status < 500) return { code: (JSON.parse(text) as Refused).refusal?.code ?? 'refused' }
      } catch {
        // Not heard: the same act again, under the same id.
      }
    }
    return { code: 'no-answer' }
  }
}

type Refused = { refusal?: { code?: string } }
