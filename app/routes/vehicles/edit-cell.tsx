import { useId, useState } from 'react'
import { parseDecimal } from '~/lib/fields'
import type { EditField } from '~core/vehicle/edit/fields'
import { numberFault } from '~core/words/typed-number'

type Props = {
  field: EditField
  value: unknown
  /** What is wrong with it in the file as it stands. */
  fault?: string
  change: (value: unknown) => void
}

/** One value in the table: what cannot be read stays as typed, is said beside it, and changes nothing. */
export function EditCell({ field, value, fault, change }: Props) {
  const id = useId()
  const [bad, setBad] = useState<string>()
  const said = bad ?? fault
  const common = {
    id,
    className: 'input py-1!',
    'aria-invalid': said !== undefined || undefined,
    'aria-describedby': said ? `${id}-fault` : undefined,
  }
  function read(typed: string) {
    if (field.kind !== 'number') return change(typed.trim() === '' ? undefined : typed.trim())
    const number = parseDecimal(typed)
    if (number === 'bad') return setBad(numberFault(typed))
    if (number === undefined && !field.optional) return setBad('Give a number.')
    setBad(undefined)
    if (number !== value) change(number)
  }
  return (
    <div className="grid content-start">
      <label htmlFor={id} className="text-sm text-quiet">
        {field.label}
        {field.unit && `, ${field.unit}`}
      </label>
      {field.kind === 'choice' ? (
        <select
          {...common}
          value={String(value ?? '')}
          onChange={(event) => change(event.currentTarget.value || undefined)}
        >
          {field.optional && <option value="">not stated</option>}
          {field.options.map((option) => (
            <option key={option}>{option}</option>
          ))}
        </select>
      ) : (
        <input
          {...common}
          // A value that comes back by undo must show again.
          key={String(value)}
          inputMode={field.kind === 'number' ? 'decimal' : undefined}
          autoComplete="off"
          defaultValue={String(value ?? '')}
          onBlur={(event) => {
            if (event.currentTarget.value.trim() !== String(value ?? '')) read(event.currentTarget.value)
            else setBad(undefined)
          }}
          onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
        />
      )}
      {said && (
        <p id={`${id}-fault`} className="fault text-sm">
          {said}
        </p>
      )}
    </div>
  )
}
