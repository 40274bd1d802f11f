import {
  askLineOf,
  endsAnswer,
  LONGEST_LINE,
  readScanLine,
  type ScanAsked,
  type ScanFault,
  type ScanSaid,
  SILENT_MS,
} from '~core/scan-tool/lines'
import { type Ended, plugInto } from './device-port.server'

const fault = (code: ScanFault): ScanSaid => ({ says: 'fault', code, text: '' })
const endedAs: Record<Ended, ScanFault> = {
  'no-answer': 'no-tool',
  silent: 'silent',
  unplugged: 'unplugged',
  'too-long': 'garbled',
}

/**
 * Ask the scan tool on this machine's port one thing: what it says, line by line, the last of them what ends the answer.
 * An answer that broke off is a fault, never half an answer; what it says twice is heard once.
 */
export async function* askScanTool(
  port: number,
  asked: ScanAsked,
  signal: AbortSignal,
  silentMs = SILENT_MS,
): AsyncGenerator<ScanSaid> {
  const cable = plugInto(port, { silentMs, longest: LONGEST_LINE })
  signal.addEventListener('abort', cable.cut)
  try {
    let greeted = false
    let ran = false
    for await (const heard of cable) {
      if ('ended' in heard)
        return yield fault(heard.ended === 'unplugged' && !greeted ? 'no-tool' : endedAs[heard.ended])
      const said = readScanLine(heard.line)
      if (!greeted) {
        if (said.says !== 'hello') return yield said.says === 'fault' ? said : fault('garbled')
        greeted = true
        cable.say(askLineOf(asked))
        continue
      }
      // It says that it runs over and over, so that a silence is one.
      if (said.says === 'runs' && ran) continue
      if (outOfTurn(asked, said)) return yield fault('garbled')
      ran ||= said.says === 'runs'
      yield said
      if (endsAnswer(said)) return
    }
  } finally {
    signal.removeEventListener('abort', cable.cut)
    cable.cut()
  }
}

/** Whether a tool says what nobody asked it. */
function outOfTurn(asked: ScanAsked, said: ScanSaid): boolean {
  switch (said.says) {
    case 'hello':
      return true
    case 'runs':
    case 'broke':
      return asked.ask !== 'run'
    case 'came':
      return asked.ask !== 'run' || said.what !== asked.until
    case 'end':
      return asked.ask === 'run'
    default:
      return false
  }
}
