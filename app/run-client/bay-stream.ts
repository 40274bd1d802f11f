import { LiveStream, type OpenStream, type Silences } from '~/live-client/live-stream'
import { noPhone, type Phone } from '~core/cab/agree'
import type { JobEvent } from '~core/job/events'

/** What the bay knows of a job, and takes from the stream. */
type Job = { have: () => number; hear: (place: number, event: JobEvent) => void }

/**
 * For a bay: each event at once that is recorded anywhere, and how the phone in the cab stands. Silence of the server
 * counts as a lost phone: nobody knows then what it shows.
 */
export class BayStream {
  private said: Phone = noPhone
  private current: Phone = noPhone
  private readonly live: LiveStream
  private readonly watchers = new Set<() => void>()

  constructor(jobId: string, job: Job, opens: OpenStream, silences?: Silences) {
    this.live = new LiveStream(
      opens,
      // Cut off, a browser says by itself what it has seen last; opened anew, the address does.
      () => `/jobs/${jobId}/stream?have=${job.have()}`,
      {
        recorded: (data) => {
          const { place, event } = JSON.parse(data) as { place: number; event: JobEvent }
          job.hear(place, event)
        },
        phone: (data) => this.show(JSON.parse(data) as Phone),
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
    this.current = unsure ? { ...said, link: 'lost' } : said
    for (const watch of this.watchers) watch()
  }

  begin = () => this.live.begin()
  end = () => this.live.end()
  open = () => this.live.open()
  close = () => this.live.close()
}
