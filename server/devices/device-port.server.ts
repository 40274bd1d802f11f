import { connect } from 'node:net'

const CONNECT_MS = 2000

/** How a line to an instrument on this machine ended. */
export type Ended = 'no-answer' | 'silent' | 'unplugged' | 'too-long'

/** One line of what it says, or how it ended, which is always last. */
export type Heard = { line: string } | { ended: Ended }

/** A cable to an instrument that speaks in lines on a port of this machine. */
export type Cable = AsyncIterable<Heard> & { say: (line: string) => void; cut: () => void }

/**
 * Plug into an instrument. What it says comes line by line, in its order and nothing twice; half a line never does.
 *
 * @param silentMs it says something at least so often
 * @param longest no line of its kind is longer
 */
export function plugInto(port: number, { silentMs, longest }: { silentMs: number; longest: number }): Cable {
  const socket = connect({ host: '127.0.0.1', port })
  socket.setEncoding('utf8')
  socket.setTimeout(CONNECT_MS)
  const heard: Heard[] = []
  let over = false
  let connected = false
  let answered = false
  let waiting = ''
  let wake = () => {}
  const end = (ended: Ended) => {
    if (!over) heard.push({ ended })
    over = true
    socket.destroy()
    wake()
  }
  socket.on('connect', () => {
    connected = true
    socket.setTimeout(silentMs)
  })
  socket.on('timeout', () => end(connected ? 'silent' : 'no-answer'))
  socket.on('error', () => end(answered ? 'unplugged' : 'no-answer'))
  socket.on('close', () => end(answered ? 'unplugged' : 'no-answer'))
  socket.on('data', (text: string) => {
    if (over) return
    answered = true
    waiting += text
    const lines = waiting.split('\n')
    waiting = lines.pop() ?? ''
    for (const line of lines) {
      if (line.length > longest) return end('too-long')
      heard.push({ line })
    }
    if (waiting.length > longest) return end('too-long')
    wake()
  })
  async function* all(): AsyncGenerator<Heard> {
    try {
      while (true) {
        const next = heard.shift()
        if (next) {
          yield next
          if ('ended' in next) return
        } else
          await new Promise<void>((resolve) => {
            wake = resolve
          })
      }
    } finally {
      socket.destroy()
    }
  }
  return {
    [Symbol.asyncIterator]: all,
    say: (line) => void (socket.writable && socket.write(`${line}\n`)),
    cut: () => end('unplugged'),
  }
}
