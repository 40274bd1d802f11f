import { useId, useState } from 'react'
import { Button } from '~/ui/button'

const digits = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'] as const

/** A PIN by keys as large as a glove, or typed; what goes on comes as a child. */
export function PinPad({
  label,
  name = 'pin',
  disabled = false,
  fault,
  children,
}: {
  label: string
  name?: string
  disabled?: boolean
  fault?: string
  children?: React.ReactNode
}) {
  const [pin, setPin] = useState('')
  const id = useId()
  return (
    <fieldset disabled={disabled} className="grid content-start gap-3">
      <div>
        <label htmlFor={id} className="field-label">
          {label}
        </label>
        <input
          id={id}
          type="password"
          name={name}
          inputMode="numeric"
          autoComplete="off"
          maxLength={8}
          className="input text-center text-3xl tracking-[0.4em]"
          value={pin}
          onChange={(event) => setPin(event.target.value)}
          aria-invalid={fault !== undefined}
          aria-describedby={fault ? `${id}-fault` : undefined}
        />
        {fault && (
          <p id={`${id}-fault`} role="alert" className="fault mt-1">
            {fault}
          </p>
        )}
      </div>
      <div className="grid grid-cols-3 gap-2">
        {digits.map((digit) => (
          <Button
            key={digit}
            size="glove"
            className={digit === '0' ? 'col-start-2 text-2xl' : 'text-2xl'}
            onClick={() => setPin((before) => (before + digit).slice(0, 8))}
          >
            {digit}
          </Button>
        ))}
        <Button size="glove" onClick={() => setPin((before) => before.slice(0, -1))}>
          back
        </Button>
      </div>
      {children}
    </fieldset>
  )
}
