import { useEffect, useRef, useState } from 'react'
import { hearLines } from '~/lib/hear-lines'
import { useSay } from '~/lib/say'
import { useFieldText } from '~/lib/units'
import { Button } from '~/ui/button'
import { fact } from '~core/base/decision'
import { type TesterId, testerFact, testerOf } from '~core/fluid/testers'
import { type Heard, whyNoReading } from '~core/fluid/testers/lines'
import { readingNames } from './test-form'

type Props = {
  /** Of the shop's tester; without one nothing is shown. */
  port?: number
  nth: '' | '2'
  form: React.RefObject<HTMLFormElement | null>
  /** Which kind of tester it turned out to be. */
  onRead: (tester: TesterId) => void
}

type Progress = { pct: number } | { fault: string } | { read: string }

/** Takes the reading from the instrument itself; a long one shows how far it is and can be stopped. */
export function ReadNow({ port, nth, form, onRead }: Props) {
  const [progress, setProgress] = useState<Progress>()
  const [taken, setTaken] = useState<{ tester: TesterId; value: number }>()
  const stop = useRef<AbortController>(undefined)
  const text = useFieldText()
  const say = useSay()
  const names = readingNames(nth)
  // The tester's own fields are there only once its kind is chosen: the value goes in after that.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each reading that was taken
  useEffect(() => {
    if (!taken || !form.current) return
    const { asks } = testerOf(taken.tester)
    const shown =
      asks.of === 'number' && asks.quantity ? (text(asks.quantity, taken.value) ?? '') : String(taken.value)
    typeInto(form.current, names.value, shown)
  }, [taken])
  useEffect(() => () => stop.current?.abort(), [])
  // What is typed over afterwards the instrument did not say.
  useEffect(() => {
    const element = form.current
    const byHand = ({ isTrusted, target }: Event) => {
      if (isTrusted && (target as HTMLInputElement).name === names.value) setProgress(undefined)
    }
    element?.addEventListener('input', byHand)
    return () => element?.removeEventListener('input', byHand)
  }, [form, names.value])
  if (port === undefined) return null
  async function read() {
    stop.current = new AbortController()
    setProgress({ pct: 0 })
    let tester: TesterId | undefined
    const hear = (said: Heard) => {
      if (said.says === 'hello') tester = said.tester
      if (said.says === 'busy') setProgress({ pct: said.pct })
      const why = whyNoReading(said)
      if (why) setProgress({ fault: say(why) })
      if (said.says === 'reading' && tester && form.current) {
        const field = form.current.querySelector<HTMLElement>(`[name="${names.tester}"][value="${tester}"]`)
        field?.click()
        onRead(tester)
        setTaken({ tester, value: said.value })
        setProgress({ read: say(testerFact(tester)) })
      }
    }
    try {
      const { signal } = stop.current
      await hearLines(await fetch('/tester/read', { method: 'POST', signal }), hear)
    } catch {
      setProgress({
        fault: stop.current.signal.aborted
          ? say(fact('tester-lost-stopped'))
          : 'The program does not answer. Type what the tester shows.',
      })
    }
  }
  const reading = progress && 'pct' in progress
  return (
    <div className="grid gap-1">
      <input type="hidden" name={names.instrument} value={progress && 'read' in progress ? 'yes' : 'no'} />
      {reading ? (
        <Button onClick={() => stop.current?.abort()}>Stop reading</Button>
      ) : (
        <Button onClick={() => void read()}>Read now</Button>
      )}
      <div role="status" className="text-sm sm:col-span-2">
        {reading && (
          <span className="flex items-center gap-2">
            <progress max={100} value={progress.pct} aria-label="The tester reads" /> {progress.pct} %
          </span>
        )}
        {progress && 'fault' in progress && <span className="fault">{progress.fault}</span>}
        {progress && 'read' in progress && <span>Read from the {progress.read}.</span>}
      </div>
    </div>
  )
}

/** As a person would: the form hears of it. */
function typeInto(form: HTMLFormElement, name: string, value: string): void {
  const choice = form.querySelector<HTMLInputElement>(`input[type=radio][name="${name}"][value="${value}"]`)
  if (choice) {
    choice.click()
    return
  }
  const input = form.querySelector<HTMLInputElement>(`input[name="${name}"]`)
  if (!input) return
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(input, value)
  input.dispatchEvent(new Event('input', { bubbles: true }))
}
