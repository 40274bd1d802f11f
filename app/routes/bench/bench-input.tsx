import { useId } from 'react'
import { useSay } from '~/lib/say'
import { type BenchField, fieldFact, hintFact, optionFact } from '~core/calculators/page'
import type { Units } from '~core/units/units'

type Props = {
  page: string
  name: string
  field: BenchField
  value: string
  fault?: string
  units: Units
  onChange: (text: string) => void
}

const unitOf = (field: BenchField, units: Units): string => {
  if (field.kind === 'rows')
    return field.columns.flatMap(({ quantity }) => (quantity ? units[quantity] : '×')).join(' · ')
  if (field.kind === 'choice') return ''
  return field.kind === 'number' ? field.unit : units[field.quantity]
}

/** One input with its unit, its hint, and its fault beside it. */
export function BenchInput({ page, name, field, value, fault, units, onChange }: Props) {
  const id = useId()
  const say = useSay()
  const hint = hintFact(page, name, field)
  const unit = unitOf(field, units)
  const described = [fault && `${id}-fault`, hint && `${id}-hint`].filter(Boolean).join(' ') || undefined
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
        {say(fieldFact(page, name, field))}
        {unit && <span className="font-normal text-quiet">, {unit}</span>}
      </label>
      {field.kind === 'choice' ? (
        <select {...common} onChange={(event) => onChange(event.target.value)}>
          {field.options.map((option) => (
            <option key={option} value={option}>
              {field.named ? option : say(optionFact(page, name, field, option))}
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
      {hint && (
        <p id={`${id}-hint`} className="mt-1 text-sm text-quiet">
          {say(hint)}
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
