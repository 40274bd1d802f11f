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

/** Asked again so often, so long apart, before a cable that came out in the middle is given up. */
const TRIES = 5
const AGAIN_MS = 1000

/**
 * Ask the scan tool on this machine's port one thing: what it says, line by line, the last of them what ends the answer.
 * An answer that broke off is a fault, never half an answer; what it says twice is heard once.
 *
 * Where the cable comes out while a routine runs, the tool is asked whether it still runs. It is never started again by
 * that: a routine begun twice would work the unit with nobody ready for it.
 */
export async function* askScanTool(
  port: number,
  asked: ScanAsked,
  signal: AbortSignal,
  { silentMs = SILENT_MS, againMs = AGAIN_MS } = {},
): AsyncGenerator<ScanSaid> {
  let joins = false
  let ran = false
  let last: ScanSaid = fault('no-tool')
  for await (const said of onOneCable(port, asked, signal, silentMs)) {
    last = said
    if (said.says === 'hello') joins = said.version > 1
    // One that has not begun may still hold how an earlier one ended.
    ran ||= said.says === 'runs'
    if (said.says === 'hello') continue
    if (!isUnplugged(said)) yield said
  }
  if (!isUnplugged(last)) return
  if (joins && ran && asked.ask === 'run' && !signal.aborted) {
    yield { says: 'lost' }
    for (let left = TRIES; left > 0 && !signal.aborted; left--) {
      await new Promise((resolve) => setTimeout(resolve, againMs))
      let again: ScanSaid = last
      for await (const said of onOneCable(port, { ask: 'hear', until: asked.until }, signal, silentMs)) {
        again = said
        if (said.says !== 'hello' && !mayBePluggedIn(said)) yield asEndOf(said)
      }
      if (!mayBePluggedIn(again)) return
    }
  }
  yield last
}

const isUnplugged = (said: ScanSaid) => said.says === 'fault' && said.code === 'unplugged'
/** Nobody is there yet; somebody may still plug it in. */
const mayBePluggedIn = (said: ScanSaid) =>
  said.says === 'fault' && (said.code === 'unplugged' || said.code === 'no-tool')

/** A tool that runs nothing any more has lost what it was asked to run. */
const asEndOf = (said: ScanSaid): ScanSaid =>
  said.says === 'refused' && said.why === 'nothing-runs'
    ? { says: 'broke', why: 'tool-died', text: said.text }
    : said

/** What a tool says from its greeting to the end of one answer. */
async function* onOneCable(
  port: number,
  asked: ScanAsked,
  signal: AbortSignal,
  silentMs: number,
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
        yield said
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

/** What an answer to something that runs ends with; undefined for what is said at once. */
function comesAs(asked: ScanAsked): string | undefined {
  if (asked.ask === 'run' || asked.ask === 'hear') return asked.until
  return asked.ask === 'actuate' ? asked.what : undefined
}

/** Whether a tool says what nobody asked it. */
function outOfTurn(asked: ScanAsked, said: ScanSaid): boolean {
  const runs = comesAs(asked) !== undefined
  switch (said.says) {
    case 'hello':
      return true
    case 'runs':
    case 'prompt':
    case 'broke':
      return !runs
    case 'came':
      return said.what !== comesAs(asked)
    case 'end':
      return runs
    default:
      return false
  }
}
