import { LiveStream, type OpenStream, type Silences } from '~/client/live/live-stream'
import type { Phone } from '~core/cab/agree'

/** What a screen knows of a job, and takes from its feed. */
type Job = {
  have: () => number
  hear: (place: number, event: unknown) => void
  /** How far the server has told, and of which build it is. */
  beat: (told: number, build: string) => void
}

/**
 * All that a screen hears of its job: each event at once that is recorded anywhere, how the phone in the cab stands, and
 * whether the program was renewed. Silence of the server counts as a lost phone: nobody knows then what it shows.
 */
export class JobFeed {
  private said: Phone
  private current: Phone
  private readonly live: LiveStream
  private readonly watchers = new Set<() => void>()

  /** @param phone how it counts until the server says more */
  constructor(jobId: string, job: Job, phone: Phone, opens: OpenStream, silences?: Silences) {
    this.said = phone
    this.current = phone
    this.live = new LiveStream(
      opens,
      // Cut off, a browser says by itself what it has seen last; opened anew, the address does.
      () => `/jobs/${jobId}/stream?have=${job.have()}`,
      {
        recorded: (data) => {
          const { place, event } = JSON.parse(data) as { place: number; event: unknown }
          job.hear(place, event)
        },
        phone: (data) => this.show(JSON.parse(data) as Phone),
        beat: (data) => {
          const { told, build } = JSON.parse(data) as { told: number; build: string }
          job.beat(told, build)
        },
      },
      () => this.show(this.said),
      silences,
    )
  }

  snapshot = (): Phone => this.current
  subscribe = (watch: () => void): (() => void) => {
    this.watchers.add(watch)
    return () => this.watchers.delete(watch)
  }
  private show(said: Phone) {
    this.said = said
    const unsure = this.live.hearing === 'lost' && said.link !== 'none'
    const next: Phone = unsure ? { ...said, link: 'lost' } : said
    if (next.link === this.current.link && next.shows === this.current.shows) return
    this.current = next
    for (const watch of this.watchers) watch()
  }

  begin = () => this.live.begin()
  end = () => this.live.end()
  open = () => this.live.open()
  close = () => this.live.close()
}
