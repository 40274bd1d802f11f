import { useEffect, useRef, useState } from 'react'
import { askScanTool, whyNot } from '~/run-client/scan-tool'
import type { UnitCode } from '~core/job/unit-ledger'
import type { LiveName, ScanSaid } from '~core/scan-tool/lines'

type Read = {
  codes: UnitCode[]
  live: Partial<Record<LiveName, number>>
  pressed: boolean
  volts?: number
}

/** Reads the unit off the tool itself: at rest, then once more under a firm foot. */
export function ReadTool({ onRead }: { onRead: (read: Read) => void }) {
  const [says, setSays] = useState<string>()
  const [busy, setBusy] = useState(false)
  const stop = useRef<AbortController>(undefined)
  useEffect(() => () => stop.current?.abort(), [])
  async function ask(what: 'read' | 'clear', pressed: boolean) {
    stop.current = new AbortController()
    setBusy(true)
    setSays('Asking the tool …')
    const codes: UnitCode[] = []
    const live: Read['live'] = {}
    let number = ''
    let volts: number | undefined
    const hear = (said: ScanSaid) => {
      if (said.says === 'code') codes.push({ code: said.code, is: said.is, says: said.text })
      if (said.says === 'live') live[said.name] = said.value
      if (said.says === 'number') number = said.number
      if (said.says === 'volts') volts = said.volts
    }
    try {
      const last = await askScanTool({ ask: what }, hear, stop.current.signal)
      const why = whyNot(last)
      setSays(
        why ??
          (what === 'clear'
            ? 'Codes cleared. Read it again: what is still there comes back.'
            : `Read: ${number || 'no number'}${volts === undefined ? '' : `, battery ${volts} V`}.`),
      )
      if (why === undefined && what === 'read') onRead({ codes, live, pressed, volts })
    } catch {
      setSays('The program does not answer. Type what the tool shows.')
    }
    setBusy(false)
  }
  return (
    <div className="grid gap-2">
      <div className="grid gap-2 sm:grid-cols-3">
        <button type="button" className="button" disabled={busy} onClick={() => void ask('read', false)}>
          Read the tool: foot off
        </button>
        <button type="button" className="button" disabled={busy} onClick={() => void ask('read', true)}>
          Read it: firm foot
        </button>
        <button type="button" className="button" disabled={busy} onClick={() => void ask('clear', false)}>
          Clear its codes
        </button>
      </div>
      {says && <p role="status">{says}</p>}
    </div>
  )
}
