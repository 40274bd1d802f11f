import { BEAT_MS } from './hub.server'

/** A browser left to itself waits some seconds before it opens a stream that was cut: too long with a bleeder open. */
const RETRY_MS = 300

type Send = (event: string, data: unknown, id?: number) => void

/**
 * A stream of server-sent events that lives until its browser goes away.
 *
 * @param begin gets the way to send and to end; answers with what takes it apart
 * @param beat is sent every two seconds, so that silence means a broken link and nothing else
 */
export function eventStream(
  signal: AbortSignal,
  begin: (send: Send, end: () => void) => () => void,
  beat: (send: Send, end: () => void) => void,
): Response {
  const encoder = new TextEncoder()
  let takeApart = () => {}
  let finish = () => {}
  const body = new ReadableStream<Uint8Array>({
    start(stream) {
      let over = false
      const end = () => {
        if (over) return
        over = true
        clearInterval(timer)
        takeApart()
        try {
          stream.close()
        } catch {
          // The browser went first and its stream is closed already.
        }
      }
      const send: Send = (event, data, id) => {
        if (over) return
        const lines = `event: ${event}\n${id === undefined ? '' : `id: ${id}\n`}data: ${JSON.stringify(data)}\n\n`
        try {
          stream.enqueue(encoder.encode(lines))
        } catch {
          // A stream that was closed under it throws, which would end the whole server.
          end()
        }
      }
      const timer = setInterval(() => beat(send, end), BEAT_MS)
      finish = end
      signal.addEventListener('abort', end)
      stream.enqueue(encoder.encode(`retry: ${RETRY_MS}\n\n`))
      takeApart = begin(send, end)
      if (signal.aborted) end()
    },
    cancel() {
      finish()
    },
  })
  return new Response(body, {
    headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform' },
  })
}

/** The last event its asker has: as a browser says it after a cut, else as the address says it at the first time. */
export function lastSeen(request: Request): number {
  const said = request.headers.get('Last-Event-ID') ?? new URL(request.url).searchParams.get('have')
  return said !== null && /^\d{1,9}$/.test(said) ? Number(said) : 0
}
