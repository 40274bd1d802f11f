import { useState } from 'react'
import { Reasons } from '~/components/reasons'
import { useSay } from '~/lib/say'
import { useFieldText, useUnits } from '~/lib/units'
import { Button } from '~/ui/button'
import { fact } from '~core/base/decision'
import { orFault } from '~core/base/fault'
import type { Complaint } from '~core/diagnosis/complaints'
import type { Led, LedField } from '~core/diagnosis/led/led'
import { readQuantity } from '~core/units/units'
import type { Vehicle } from '~core/vehicle/schema'
import { numberFault } from '~core/words/typed-number'
import { EffortsCurve } from './efforts-curve'

type Props = {
  led: Led
  vehicle: Vehicle
  complaint: Complaint
  locked: boolean
  onResult: (result: string, at?: string) => void
}

/** Figures in place of an opinion: they say which answer it is, and whoever measured takes it. */
export function LedCheck({ led, vehicle, complaint, locked, onResult }: Props) {
  const say = useSay()
  const units = useUnits()
  const text = useFieldText()
  const fields = led.fields(vehicle, complaint)
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(fields.map(({ id, quantity, initial }) => [id, text(quantity, initial) ?? ''])),
  )
  if (fields.length === 0) return null
  const read = ({ id, quantity }: LedField) => {
    const value = readQuantity(typed[id] ?? '', quantity, units[quantity])
    return value && value.metric >= 0 ? value.metric : undefined
  }
  const measured = Object.fromEntries(fields.map((field) => [field.id, read(field)]))
  const { value: decision, fault } = orFault(() => led.judge(measured, vehicle, complaint))
  return (
    <details>
      <summary className="font-bold">Measure it</summary>
      <div className="grid gap-3">
        <div className="grid grid-cols-2 gap-3 xl:grid-cols-4">
          {fields.map((field) => {
            const wrong = (typed[field.id] ?? '').trim() !== '' && measured[field.id] === undefined
            return (
              <label key={field.id} className="grid content-end gap-1">
                <span className="leading-tight">
                  {say(field.label)}, {units[field.quantity]}
                </span>
                <input
                  className="input"
                  inputMode="decimal"
                  autoComplete="off"
                  value={typed[field.id] ?? ''}
                  aria-invalid={wrong || undefined}
                  onChange={(event) => setTyped({ ...typed, [field.id]: event.target.value })}
                />
                {wrong && <span className="fault">{numberFault(typed[field.id] ?? '')}</span>}
              </label>
            )
          })}
        </div>
        {led.curve && <EffortsCurve points={led.curve(measured)} />}
        {fault && <p className="fault">Look at the figures again: {fault.message}.</p>}
        {decision && (
          <>
            <Reasons reasons={decision.reasons} />
            <Button
              disabled={locked}
              onClick={() => onResult(decision.value, decision.at)}
              main
              size="finger"
              className="justify-self-start"
            >
              Take it: {say(fact(`result-${decision.value}`))}
            </Button>
          </>
        )}
      </div>
    </details>
  )
}
