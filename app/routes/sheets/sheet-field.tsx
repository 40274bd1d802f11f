import { WaitClock } from '~/components/bay/hold-clock'
import { useSay } from '~/lib/say'
import { useUnits } from '~/lib/units'
import { Button } from '~/ui/button'
import { fact } from '~core/base/decision'
import type { SheetField as Field } from '~core/repair-sheets/sheet'

type Props = {
  field: Field
  /** As it stands in the field: a number as it is typed, an option, or the time a clock was started. */
  value: string
  fault?: string
  locked: boolean
  onChange: (value: string) => void
  /** The field was left. */
  onLeave: () => void
}

/** One thing that is asked of a part: an area for each answer, a number, or a clock. */
export function SheetField({ field, value, fault, locked, onChange, onLeave }: Props) {
  const say = useSay()
  const units = useUnits()
  if (field.kind === 'choice')
    return (
      <fieldset className="col-span-full grid gap-2" disabled={locked}>
        <legend className="field-label pb-2">{say(field.label)}</legend>
        <div className="grid grid-cols-2 gap-3 md:grid-cols-3">
          {field.options.map((option) => (
            <Button
              key={option}
              size="finger"
              chosen={value === option}
              onClick={() => onChange(value === option ? '' : option)}
            >
              {value === option && <span aria-hidden="true">✓</span>}
              {say(fact(`option-${option}`))}
            </Button>
          ))}
        </div>
      </fieldset>
    )
  if (field.kind === 'clock')
    return (
      <div className="col-span-full flex flex-wrap items-center gap-4">
        <span className="field-label">{say(field.label)}</span>
        <Button disabled={locked} size="finger" onClick={() => onChange(new Date().toISOString())}>
          {value === '' ? `Start its ${Math.round(field.waitS / 60)} min` : 'Start again'}
        </Button>
        {value !== '' && <WaitClock startedAt={value} waitS={field.waitS} />}
      </div>
    )
  return (
    <label className="grid content-end gap-1">
      <span className="leading-tight">
        {say(field.label)}
        {field.kind === 'amount' && `, ${units[field.quantity]}`}
      </span>
      <input
        className="input"
        inputMode="decimal"
        autoComplete="off"
        disabled={locked}
        value={value}
        aria-invalid={fault !== undefined || undefined}
        onChange={(event) => onChange(event.target.value)}
        onBlur={onLeave}
      />
      {fault && <span className="fault">{fault}</span>}
    </label>
  )
}
