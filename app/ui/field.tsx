import { type FieldMetadata, getInputProps, getTextareaProps } from '@conform-to/react'
import { unitFieldOf } from '~/lib/fields'
import { useUnits } from '~/lib/units'
import { type Quantity, quantities } from '~core/units/units'

type Props = {
  field: FieldMetadata<unknown>
  label: string
  unit?: string
  /** Shown and typed in the unit of whoever is here; goes along with the number. */
  quantity?: Quantity
  hint?: string
  decimal?: boolean
  autoComplete?: string
}

/** A labelled input with its unit, its hint and its fault beside it. */
export function TextField({
  field,
  label,
  unit: fixed,
  quantity,
  hint,
  decimal = false,
  autoComplete = 'off',
}: Props) {
  const units = useUnits()
  const unit = quantity ? units[quantity] : fixed
  const foreign = quantity && unit !== quantities[quantity].metric
  const hintId = hint ? `${field.id}-hint` : undefined
  const props = getInputProps(field as FieldMetadata<string>, { type: 'text' })
  return (
    <div>
      <label htmlFor={field.id} className="field-label">
        {label}
        {unit && <span className="font-normal text-quiet">, {unit}</span>}
      </label>
      <input
        {...props}
        key={field.key}
        className="input"
        inputMode={decimal || quantity ? 'decimal' : undefined}
        autoComplete={autoComplete}
        aria-describedby={[props['aria-describedby'], hintId].filter(Boolean).join(' ') || undefined}
      />
      {foreign && <input type="hidden" name={unitFieldOf(field.name)} value={unit} />}
      {hint && (
        <p id={hintId} className="mt-1 text-sm text-quiet">
          {hint}
        </p>
      )}
      <Faults field={field} />
    </div>
  )
}

/** A labelled text of several lines. */
export function NoteField({
  field,
  label,
  hint,
}: {
  field: FieldMetadata<unknown>
  label: string
  hint?: string
}) {
  const hintId = hint ? `${field.id}-hint` : undefined
  const { key, ...props } = getTextareaProps(field as FieldMetadata<string>)
  return (
    <div>
      <label htmlFor={field.id} className="field-label">
        {label}
      </label>
      <textarea
        {...props}
        key={key}
        className="input"
        rows={2}
        aria-describedby={[props['aria-describedby'], hintId].filter(Boolean).join(' ') || undefined}
      />
      {hint && (
        <p id={hintId} className="text-sm text-quiet">
          {hint}
        </p>
      )}
      <Faults field={field} />
    </div>
  )
}

/** What is wrong with a field, where its label says it is. */
export function Faults({ field }: { field: FieldMetadata<unknown> }) {
  if (!field.errors?.length) return null
  return (
    <p id={field.errorId} className="fault mt-1">
      {field.errors.join(' ')}
    </p>
  )
}

type ChoiceProps = {
  field: FieldMetadata<unknown>
  legend: string
  options: readonly { value: string; label: string; picture?: React.ReactNode }[]
  columns?: string
  multiple?: boolean
}

/** One of several, or some of several, as large targets. */
export function Choices({
  field,
  legend,
  options,
  columns = 'sm:grid-cols-2',
  multiple = false,
}: ChoiceProps) {
  const first = field.initialValue
  const chosen = new Set(Array.isArray(first) ? first : [first])
  return (
    <fieldset aria-describedby={field.errors ? field.errorId : undefined}>
      <legend className="field-label">{legend}</legend>
      <div key={field.key} className={`grid gap-2 ${columns}`}>
        {options.map(({ value, label, picture }, i) => (
          <label key={value} className="choice">
            <input
              type={multiple ? 'checkbox' : 'radio'}
              name={field.name}
              value={value}
              defaultChecked={chosen.has(value)}
              id={i === 0 ? field.id : undefined}
              aria-invalid={field.errors ? true : undefined}
            />
            {picture}
            <span className="wrap-anywhere">{label}</span>
          </label>
        ))}
      </div>
      <Faults field={field} />
    </fieldset>
  )
}
