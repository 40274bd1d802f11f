import { LONGEST_LINE, readScaleLine, type ScaleFault, type ScaleSaid, SILENT_MS } from '~core/scale/lines'
import { type Ended, plugInto } from './device-port.server'

/** Tried again so long after its cable came out. */
const AGAIN_MS = 1500

const fault = (code: ScaleFault): ScaleSaid => ({ says: 'fault', code })
const endedAs: Record<Ended, ScaleSaid> = {
  'no-answer': fault('no-scale'),
  silent: fault('silent'),
  unplugged: fault('unplugged'),
  'too-long': fault('garbled'),
}

/**
 * What the scale on this machine's port says, for as long as somebody listens: its greeting, then its weights. Where the
 * cable comes out, or it talks nonsense, that is said once and it is plugged in anew, again and again.
 */
export async function* readScale(
  port: number,
  signal: AbortSignal,
  { silentMs = SILENT_MS, againMs = AGAIN_MS } = {},
): AsyncGenerator<ScaleSaid> {
  let saidLast: string | undefined
  while (!signal.aborted) {
    const { why, greeted } = yield* oneCable(port, signal, silentMs)
    const says = why.says === 'fault' ? why.code : why.says
    // A scale that is not there is not there every time.
    if (!signal.aborted && (greeted || says !== saidLast)) yield why
    saidLast = says
    await pause(againMs, signal)
  }
}

type Unplugged = { why: ScaleSaid; greeted: boolean }

/** One time that it is plugged in. @returns why that ended */
async function* oneCable(
  port: number,
  signal: AbortSignal,
  silentMs: number,
): AsyncGenerator<ScaleSaid, Unplugged> {
  const cable = plugInto(port, { silentMs, longest: LONGEST_LINE })
  signal.addEventListener('abort', cable.cut)
  let greeted = false
  try {
    for await (const heard of cable) {
      if ('ended' in heard) {
        const why = heard.ended === 'unplugged' && !greeted ? 'no-answer' : heard.ended
        return { why: endedAs[why], greeted }
      }
      const said = readScaleLine(heard.line)
      if (said.says === 'hello' && !greeted) greeted = true
      else if (!greeted || said.says === 'hello') return { why: endedAs['too-long'], greeted }
      else if (said.says === 'fault') return { why: said, greeted }
      yield said
    }
    return { why: endedAs.unplugged, greeted }
  } finally {
    signal.removeEventListener('abort', cable.cut)
    cable.cut()
  }
}

const pause = (ms: number, signal: AbortSignal) =>
  new Promise<void>((resolve) => {
    const timer = setTimeout(done, ms)
    function done() {
      signal.removeEventListener('abort', done)
      clearTimeout(timer)
      resolve()
    }
    signal.addEventListener('abort', done)
  })
