/** An open stream of server-sent events. */
export type Stream = { close: () => void }
export type OpenStream = (path: string, hear: Record<string, (data: string) => void>) => Stream

export type Hearing = 'linked' | 'late' | 'lost'
/** After what silence of the server the link counts as late, and as lost, and how often that is looked at. */
export type Silences = { lateMs: number; lostMs: number; lookMs: number }
export const usualSilences: Silences = { lateMs: 5000, lostMs: 9000, lookMs: 500 }

/**
 * A stream that knows whether it is still heard. The server beats, so silence means a broken wire; a wire that swallows
 * everything is never closed by anybody, so a stream that is lost is opened anew.
 */
export class LiveStream {
  hearing: Hearing = 'linked'
  private stream?: Stream
  private heardAt = 0
  private openedAt = 0
  private timer?: ReturnType<typeof setInterval>

  constructor(
    private readonly opens: OpenStream,
    /** Asked at every opening. */
    private readonly path: () => string,
    private readonly hear: Record<string, (data: string) => void>,
    private readonly changed: () => void,
    private readonly silences = usualSilences,
  ) {}

  begin(): void {
    this.heardAt = Date.now()
    this.open()
    this.timer = setInterval(() => this.look(), this.silences.lookMs)
  }
  end(): void {
    this.close()
    clearInterval(this.timer)
  }
  get isOpen(): boolean {
    return this.stream !== undefined
  }
  open(): void {
    this.close()
    this.openedAt = Date.now()
    const heard = Object.entries(this.hear).map(
      ([name, take]) =>
        [
          name,
          (data: string) => {
            this.heardAt = Date.now()
            this.turn('linked')
            take(data)
          },
        ] as const,
    )
    this.stream = this.opens(this.path(), Object.fromEntries(heard))
  }
  /** Hidden, a page holds no stream: a browser has only six of them for one host. */
  close(): void {
    this.stream?.close()
    this.stream = undefined
  }

  private look() {
    const { lateMs, lostMs } = this.silences
    const silentMs = Date.now() - this.heardAt
    this.turn(silentMs > lostMs ? 'lost' : silentMs > lateMs ? 'late' : 'linked')
    if (this.hearing === 'lost' && this.isOpen && Date.now() - this.openedAt > lostMs) this.open()
  }
  private turn(hearing: Hearing) {
    if (this.hearing === hearing) return
    this.hearing = hearing
    this.changed()
  }
}

/** A stream as a browser opens it. */
export const browserStream: OpenStream = (path, hear) => {
  const stream = new EventSource(path)
  for (const [name, heard] of Object.entries(hear))
    stream.addEventListener(name, ({ data }: MessageEvent<string>) => heard(data))
  return stream
}
