import { useState } from 'react'
import { type Amount, useReadAmount, useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { MainAct } from './now-panel'

/** One amount of fluid, in the units of whoever is here, with the button that records it; what is not a number is said beside the field. */
export function AmountForm({
  label,
  button,
  first = '',
  atFoot = false,
  onAmount,
}: {
  label: string
  button: string
  first?: string
  /** Whether it is what goes on from here: it then stands where that stands, the figure with what records it. */
  atFoot?: boolean
  onAmount: (amount: Amount) => void
}) {
  const [text, setText] = useState(first)
  const [fault, setFault] = useState(false)
  const read = useReadAmount()
  const show = useShow()
  function submit(event: React.FormEvent) {
    event.preventDefault()
    const amount = read(text)
    setFault(amount === undefined)
    if (amount) onAmount(amount)
  }
  const form = (
    <form
      onSubmit={submit}
      className={atFoot ? 'grid items-end gap-3 sm:grid-cols-[1fr_1.4fr]' : 'grid gap-3'}
    >
      <label className="grid gap-1">
        <span className="field-label">
          {label}, {show.unit('volume')}
        </span>
        <input
          className="input min-h-[72px] text-2xl"
          inputMode="decimal"
          autoComplete="off"
          value={text}
          onChange={(event) => setText(event.target.value)}
          aria-invalid={fault}
        />
        {fault && (
          <span role="alert" className="fault">
            Give {show.unit('volume')} as a number from 0 to {show.number('volume', 20_000)}.
          </span>
        )}
      </label>
      <Button type="submit" main size="glove" className="text-xl">
        {button}
      </Button>
    </form>
  )
  return atFoot ? <MainAct>{form}</MainAct> : form
}
