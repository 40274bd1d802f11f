import { connect } from 'node:net'
import { testerIds } from '~core/fluid/testers'
import { LONGEST_LINE, READ, readLine, type Said, STOP } from '~core/fluid/testers/lines'

const CONNECT_MS = 2000
/** An instrument says something at least this often while it reads. */
const SILENT_MS = 8000

const fault = (code: string, text: string): Said => ({ says: 'fault', code, text })

/**
 * Take one reading from the instrument on this machine's port: what it says, line by line, the last of them a reading
 * or a fault. Nothing half read is ever handed on as a reading.
 *
 * @param signal stops the instrument and ends
 */
export async function* readTester(
  port: number,
  signal: AbortSignal,
  silentMs = SILENT_MS,
): AsyncGenerator<Said> {
  const socket = connect({ host: '127.0.0.1', port })
  socket.setEncoding('utf8')
  socket.setTimeout(CONNECT_MS)
  const heard: Said[] = []
  let ended: Said | undefined
  let greeted = false
  let wake = () => {}
  const end = (said: Said) => {
    ended ??= said
    socket.destroy()
    wake()
  }
  socket.on('connect', () => socket.setTimeout(silentMs))
  socket.on('timeout', () =>
    end(
      fault(
        'silent',
        'The tester has gone quiet. Nothing was taken from it: look at its cable, then read again.',
      ),
    ),
  )
  socket.on('error', () =>
    end(fault('no-tester', 'No tester answers here. Plug it in and read again, or type what it shows.')),
  )
  socket.on('close', () =>
    end(
      greeted
        ? fault(
            'unplugged',
            'The tester was unplugged before it had finished. Nothing was taken from it: plug it in and read again, or type what it shows.',
          )
        : fault('no-tester', 'No tester answers here. Plug it in and read again, or type what it shows.'),
    ),
  )
  let waiting = ''
  socket.on('data', (text: string) => {
    waiting += text
    const lines = waiting.split('\n')
    waiting = lines.pop() ?? ''
    if (waiting.length > LONGEST_LINE)
      return end(fault('garbled', 'What answers on the tester’s port is no tester.'))
    for (const line of lines) {
      const said = readLine(line, testerIds)
      if (said.says === 'hello' && !greeted) {
        greeted = true
        socket.write(`${READ}\n`)
        heard.push(said)
      } else if (said.says === 'busy' && greeted) heard.push(said)
      else if (said.says === 'reading' && greeted) return end(said)
      else
        return end(
          said.says === 'fault' ? said : fault('garbled', 'The tester spoke out of turn. Read again.'),
        )
    }
    wake()
  })
  const stop = () => {
    if (socket.writable) socket.write(`${STOP}\n`)
    end(fault('stopped', 'Stopped. Nothing was taken from the tester.'))
  }
  signal.addEventListener('abort', stop)
  try {
    while (true) {
      const next = heard.shift()
      if (next) yield next
      else if (ended) return yield ended
      else
        await new Promise<void>((resolve) => {
          wake = resolve
        })
    }
  } finally {
    signal.removeEventListener('abort', stop)
    socket.destroy()
  }
}
