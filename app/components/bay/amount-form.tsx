import { useState } from 'react'
import { parseDecimal } from '~/lib/fields'

/** One amount in mL with the button that records it; what is not a number is said beside the field. */
export function AmountForm({
  label,
  button,
  first = '',
  onAmount,
}: {
  label: string
  button: string
  first?: string
  onAmount: (ml: number) => void
}) {
  const [text, setText] = useState(first)
  const [fault, setFault] = useState(false)
  function submit(event: React.FormEvent) {
    event.preventDefault()
    const ml = parseDecimal(text)
    const good = typeof ml === 'number' && ml >= 0 && ml <= 20_000
    setFault(!good)
    if (good) onAmount(ml)
  }
  return (
    <form onSubmit={submit} className="grid gap-3">
      <label className="grid gap-1">
        <span className="field-label">{label}</span>
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
            Give mL as a number from 0 to 20000.
          </span>
        )}
      </label>
      <button type="submit" className="button button-main min-h-[72px] text-xl">
        {button}
      </button>
    </form>
  )
}
