import { useEffect, useRef, useState } from 'react'
import { askScanTool, whyNot } from '~/client/job/scan-tool'
import type { FloorAct } from '~/client/job/use-job-run'
import { Button } from '~/ui/button'
import { Notice } from '~/ui/notice'
import type { routineStops } from '~core/job/troubles/routine-stopped'
import type { ScanAsked, ScanSaid } from '~core/scan-tool/lines'

type Props = {
  asked: ScanAsked
  label: string
  /** It began to run. */
  onRuns: () => void
  /** What was asked for has come, after so long since it said that it runs; undefined where it never said so. */
  onDone: (tookS?: number) => void
  act: (act: FloorAct) => void
}

type Stopped = { says: string; why: (typeof routineStops)[number] }

/** Why a routine ended that did not come to its end, as it is recorded. */
function stoppedBy(said: ScanSaid): Stopped | undefined {
  const says = whyNot(said)
  if (says === undefined) return undefined
  if (said.says === 'broke') return { says, why: said.why }
  return { says, why: said.says === 'refused' ? 'refused' : 'tool-died' }
}

/** The tool itself does a step, and says when it has come; what breaks off is said, and recorded by a tap. */
export function ToolRuns({ asked, label, onRuns, onDone, act }: Props) {
  const [running, setRunning] = useState(false)
  const [stopped, setStopped] = useState<Stopped>()
  /** What its screen asks for now, or that its cable is out. */
  const [prompt, setPrompt] = useState<string>()
  const stop = useRef<AbortController>(undefined)
  useEffect(() => () => stop.current?.abort(), [])
  async function begin() {
    const own = new AbortController()
    stop.current = own
    setStopped(undefined)
    setPrompt(undefined)
    setRunning(true)
    let since: number | undefined
    const hear = (said: ScanSaid) => {
      if (said.says === 'prompt') setPrompt(`The tool says: ${said.text}`)
      if (said.says === 'lost')
        setPrompt('Its cable came out. Plug it in: it is asked whether it still runs.')
      if (said.says !== 'runs') return
      if (since !== undefined) return setPrompt('It still runs.')
      since = performance.now()
      onRuns()
    }
    try {
      const last = await askScanTool(asked, hear, own.signal)
      const why = stoppedBy(last)
      if (why) setStopped(why)
      else onDone(since === undefined ? undefined : (performance.now() - since) / 1000)
    } catch {
      if (!own.signal.aborted)
        setStopped({ says: 'The program does not answer. Look at the tool’s own screen.', why: 'tool-died' })
    }
    setRunning(false)
    setPrompt(undefined)
  }
  return (
    <div className="grid gap-2">
      <Button size="glove" className="text-lg" disabled={running} onClick={() => void begin()}>
        {running ? 'The tool works …' : label}
      </Button>
      {prompt !== undefined && (
        <p role="status" className="border-l-8 border-ink pl-3 text-2xl font-extrabold">
          {prompt}
        </p>
      )}
      {stopped && (
        <Notice role="alert" kind="stop" className="grid gap-3">
          <p className="text-2xl font-extrabold">{stopped.says}</p>
          <Button
            size="glove"
            className="text-lg"
            onClick={() => act({ type: 'trouble', trouble: { what: 'routine-stopped', why: stopped.why } })}
          >
            It broke off: what now?
          </Button>
        </Notice>
      )}
    </div>
  )
}
