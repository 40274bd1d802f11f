import { testerIds } from '~core/fluid/testers'
import { LONGEST_LINE, READ, readLine, type Said, STOP } from '~core/fluid/testers/lines'
import { type Ended, plugInto } from './device-port.server'

/** An instrument says something at least this often while it reads. */
const SILENT_MS = 8000

const fault = (code: string, text: string): Said => ({ says: 'fault', code, text })
const noTester = fault(
  'no-tester',
  'No tester answers here. Plug it in and read again, or type what it shows.',
)
const endedAs: Record<Ended, Said> = {
  'no-answer': noTester,
  silent: fault(
    'silent',
    'The tester has gone quiet. Nothing was taken from it: look at its cable, then read again.',
  ),
  unplugged: fault(
    'unplugged',
    'The tester was unplugged before it had finished. Nothing was taken from it: plug it in and read again, or type what it shows.',
  ),
  'too-long': fault('garbled', 'What answers on the tester’s port is no tester.'),
}

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
        if (signal.aborted) return yield fault('stopped', 'Stopped. Nothing was taken from the tester.')
        return yield heard.ended === 'unplugged' && !greeted ? noTester : endedAs[heard.ended]
      }
      const said = readLine(heard.line, testerIds)
      if (said.says === 'hello' && !greeted) {
        greeted = true
        cable.say(READ)
        yield said
      } else if (said.says === 'busy' && greeted) yield said
      else if (said.says === 'reading' && greeted) return yield said
      else
        return yield said.says === 'fault'
          ? said
          : fault('garbled', 'The tester spoke out of turn. Read again.')
    }
  } finally {
    signal.removeEventListener('abort', stop)
    cable.cut()
  }
}
