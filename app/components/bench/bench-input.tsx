import { useId } from 'react'
import type { BenchField } from '~core/calculators/page'
import type { Units } from '~core/units/units'

type Props = {
  name: string
  field: BenchField
  value: string
  fault?: string
  units: Units
  onChange: (text: string) => void
}

const unitOf = (field: BenchField, units: Units): string => {
  if (field.kind === 'quantity') return units[field.quantity]
  if (field.kind === 'rows') return field.units.join(' · ')
  return field.kind === 'choice' ? '' : field.unit
}

/** One input with its unit, its hint, and its fault beside it. */
export function BenchInput({ name, field, value, fault, units, onChange }: Props) {
  const id = useId()
  const unit = unitOf(field, units)
  const described =
    [fault && `${id}-fault`, field.hint && `${id}-hint`].filter(Boolean).join(' ') || undefined
  const common = {
    id,
    name,
    value,
    className: 'input',
    'aria-invalid': fault ? true : undefined,
    'aria-describedby': described,
  }
  return (
    <div>
      <label htmlFor={id} className="field-label">
        {field.label}
        {unit && <span className="font-normal text-quiet">, {unit}</span>}
      </label>
      {field.kind === 'choice' ? (
        <select {...common} onChange={(event) => onChange(event.target.value)}>
          {field.options.map((option) => (
            <option key={option.value} value={option.value}>
              {option.label}
            </option>
          ))}
        </select>
      ) : field.kind === 'rows' ? (
        <textarea {...common} rows={2} onChange={(event) => onChange(event.target.value)} />
      ) : (
        <input
          {...common}
          inputMode={field.kind === 'list' ? 'text' : 'decimal'}
          autoComplete="off"
          onChange={(event) => onChange(event.target.value)}
        />
      )}
      {field.hint && (
        <p id={`${id}-hint`} className="mt-1 text-sm text-quiet">
          {field.hint}
        </p>
      )}
      {fault && (
        <p id={`${id}-fault`} className="fault mt-1">
          {fault}
        </p>
      )}
    </div>
  )
}
