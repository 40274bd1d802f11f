import { testerIds } from '~core/fluid/testers'
import { type Heard, LONGEST_LINE, type Lost, READ, readLine, STOP } from '~core/fluid/testers/lines'
import { type Ended, plugInto } from './device-port.server'

/** An instrument says something at least this often while it reads. */
const SILENT_MS = 8000

const lost = (why: Lost): Heard => ({ says: 'lost', why })
const endedAs: Record<Ended, Lost> = {
  'no-answer': 'no-tester',
  silent: 'silent',
  unplugged: 'unplugged',
  'too-long': 'garbled',
}

/**
 * Take one reading from the instrument on this machine's port: what it says, line by line, the last of them a reading
 * or why there is none. Nothing half read is ever handed on as a reading.
 *
 * @param signal stops the instrument and ends
 */
export async function* readTester(
  port: number,
  signal: AbortSignal,
  silentMs = SILENT_MS,
): AsyncGenerator<Heard> {
  const cable = plugInto(port, { silentMs, longest: LONGEST_LINE })
  const stop = () => {
    cable.say(STOP)
    cable.cut()
  }
  signal.addEventListener('abort', stop)
  try {
    let greeted = false
    for await (const heard of cable) {
      if ('ended' in heard) {
        if (signal.aborted) return yield lost('stopped')
        return yield lost(heard.ended === 'unplugged' && !greeted ? 'no-tester' : endedAs[heard.ended])
      }
      const said = readLine(heard.line, testerIds)
      if (said.says === 'hello' && !greeted) {
        greeted = true
        cable.say(READ)
        yield said
      } else if (said.says === 'busy' && greeted) yield said
      else if (said.says === 'reading' && greeted) return yield said
      else return yield said.says === 'fault' || said.says === 'lost' ? said : lost('out-of-turn')
    }
  } finally {
    signal.removeEventListener('abort', stop)
    cable.cut()
  }
}
