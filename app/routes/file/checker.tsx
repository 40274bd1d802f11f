import type { useForm } from '@conform-to/react'
import type { z } from 'zod'
import { type fileFormSchema, NOBODY } from './file-form'

type Fields = ReturnType<typeof useForm<z.input<typeof fileFormSchema>>>[1]

/** Checked by is another person, who gives their own PIN at this screen; or nobody, and the record says so. */
export function Checker({
  field,
  pin,
  others,
}: {
  field: Fields['checkedBy']
  pin: Fields['checkPin']
  others: { id: string; name: string }[]
}) {
  return (
    <div className="grid gap-2">
      <div>
        <label htmlFor={field.id} className="field-label">
          Checked by
        </label>
        <select id={field.id} name={field.name} defaultValue={field.initialValue} className="input">
          <option value={NOBODY}>nobody</option>
          {others.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </div>
      {field.value !== undefined && field.value !== NOBODY && (
        <div>
          <label htmlFor={pin.id} className="field-label">
            Their own PIN
          </label>
          <input
            id={pin.id}
            name={pin.name}
            type="password"
            inputMode="numeric"
            autoComplete="off"
            maxLength={8}
            className="input"
            aria-invalid={pin.errors ? true : undefined}
            aria-describedby={pin.errors ? pin.errorId : undefined}
          />
        </div>
      )}
      {pin.errors && (
        <p id={pin.errorId} className="fault">
          {pin.errors.join(' ')}
        </p>
      )}
    </div>
  )
}
