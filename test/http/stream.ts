import type { APIRequestContext } from '@playwright/test'

export type Told = { event: string; id?: string; data: unknown }

/** An open stream of server-sent events, as a browser's page would hear it. */
export class HeardStream {
  readonly told: Told[] = []
  ended = false
  private readonly cut = new AbortController()
  private wake = () => {}

  /** @param client whose cookies go along; left out, nobody's */
  static async open(url: string, client?: APIRequestContext): Promise<HeardStream> {
    const stream = new HeardStream()
    const { cookies } = (await client?.storageState()) ?? { cookies: [] }
    const { pathname } = new URL(url)
    const cookie = cookies
      .filter(({ path }) => pathname.startsWith(path))
      .map(({ name, value }) => `${name}=${value}`)
      .join('; ')
    const answer = await fetch(url, { headers: { cookie }, signal: stream.cut.signal, redirect: 'manual' })
    if (answer.status !== 200) throw new Error(`${url} answered ${answer.status}`)
    void stream.read(answer.body as ReadableStream<Uint8Array>)
    return stream
  }

  /** Once something was told that is looked for. */
  async heard(is: (told: Told) => boolean): Promise<Told> {
    for (;;) {
      const found = this.told.find(is)
      if (found) return found
      if (this.ended) throw new Error(`the stream ended with ${JSON.stringify(this.told.slice(-3))}`)
      await new Promise<void>((wake) => {
        this.wake = wake
      })
    }
  }
  of = (event: string): Told[] => this.told.filter((each) => each.event === event)
  close(): void {
    this.cut.abort()
  }

  private async read(body: ReadableStream<Uint8Array>): Promise<void> {
    const decoder = new TextDecoder()
    let rest = ''
    try {
      for await (const bytes of body as unknown as AsyncIterable<Uint8Array>) {
        rest += decoder.decode(bytes, { stream: true })
        for (let end = rest.indexOf('\n\n'); end >= 0; end = rest.indexOf('\n\n')) {
          this.take(rest.slice(0, end))
          rest = rest.slice(end + 2)
        }
      }
    } catch (error) {
      // Cut by the test itself; anything else is a stream that broke.
      if (!this.cut.signal.aborted) this.told.push({ event: 'broke', data: String(error) })
    }
    this.ended = true
    this.wake()
  }
  private take(text: string): void {
    const line = (name: string) => new RegExp(`^${name}: (.*)$`, 'm').exec(text)?.[1]
    const [event, data, id] = [line('event'), line('data'), line('id')]
    if (event === undefined || data === undefined) return
    this.told.push({ event, data: JSON.parse(data), ...(id !== undefined && { id }) })
    this.wake()
  }
}
