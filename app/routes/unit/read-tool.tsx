import { useEffect, useRef, useState } from 'react'
import { askScanTool, whyNot } from '~/client/job/scan-tool'
import { Button } from '~/ui/button'
import type { UnitReading } from '~core/job/unit-ledger'
import type { LiveName, ScanAsked, ScanSaid } from '~core/scan-tool/lines'

/** All that a tool said of a unit in one answer. */
export type ReadByTool = Pick<UnitReading, 'codes' | 'number' | 'volts' | 'lamp' | 'wheelsKmh'> & {
  live: Partial<Record<LiveName, number>>
}

function heardBy(read: ReadByTool) {
  return (said: ScanSaid) => {
    if (said.says === 'code') read.codes.push({ code: said.code, is: said.is, says: said.text })
    if (said.says === 'live') read.live[said.name] = said.value
    if (said.says === 'number') read.number = said.number
    if (said.says === 'volts') read.volts = said.volts
    if (said.says === 'lamp') read.lamp = said.is
    if (said.says === 'wheel') read.wheelsKmh = { ...read.wheelsKmh, [said.position]: said.kmh }
  }
}

/** Asks the shop’s tool one thing after the other, and says what came of it. */
export function useTool() {
  const [says, setSays] = useState<string>()
  const [busy, setBusy] = useState(false)
  const stop = useRef<AbortController>(undefined)
  useEffect(() => () => stop.current?.abort(), [])
  async function ask(asked: ScanAsked, done: (read: ReadByTool) => string): Promise<void> {
    stop.current = new AbortController()
    setBusy(true)
    setSays('Asking the tool …')
    const read: ReadByTool = { codes: [], live: {} }
    try {
      const last = await askScanTool(asked, heardBy(read), stop.current.signal)
      setSays(whyNot(last) ?? done(read))
    } catch {
      setSays('The program does not answer. Type what the tool shows.')
    }
    setBusy(false)
  }
  return { says, busy, ask }
}

/** Reads the unit off the tool itself: at rest, then once more under a firm foot. */
export function ReadTool({ onRead }: { onRead: (read: ReadByTool, pressed: boolean) => void }) {
  const { says, busy, ask } = useTool()
  const read = (pressed: boolean) => () =>
    void ask({ ask: 'read' }, (said) => {
      onRead(said, pressed)
      return `Read: ${said.number || 'no number'}${said.volts === undefined ? '' : `, battery ${said.volts} V`}.`
    })
  const clear = () =>
    void ask({ ask: 'clear' }, () => 'Codes cleared. Read it again: what is still there comes back.')
  return (
    <div className="grid gap-2">
      <div className="grid gap-2 sm:grid-cols-3">
        <Button disabled={busy} onClick={read(false)}>
          Read the tool: foot off
        </Button>
        <Button disabled={busy} onClick={read(true)}>
          Read it: firm foot
        </Button>
        <Button disabled={busy} onClick={clear}>
          Clear its codes
        </Button>
      </div>
      {says && <p role="status">{says}</p>}
    </div>
  )
}
