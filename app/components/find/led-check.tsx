import { useState } from 'react'
import { Reasons } from '~/components/reasons'
import { useSay } from '~/lib/say'
import { useFieldText, useUnits } from '~/lib/units'
import { fact } from '~core/base/decision'
import { ImpossibleInput } from '~core/base/fault'
import type { Complaint } from '~core/diagnosis/complaints'
import type { Led, LedField } from '~core/diagnosis/led/led'
import { readQuantity } from '~core/units/units'
import type { Vehicle } from '~core/vehicle/schema'
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
  const judged = judge(() => led.judge(measured, vehicle, complaint))
  return (
    <details>
      <summary className="min-h-12 cursor-pointer py-3 font-bold">Measure it</summary>
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
                {wrong && <span className="fault">Give a number, like 3.1 or 3,1.</span>}
              </label>
            )
          })}
        </div>
        {led.curve && <EffortsCurve points={led.curve(measured)} />}
        {judged.fault && <p className="fault">{judged.fault}</p>}
        {judged.decision && (
          <>
            <Reasons reasons={judged.decision.reasons} />
            <button
              type="button"
              disabled={locked}
              onClick={() => judged.decision && onResult(judged.decision.value, judged.decision.at)}
              className="button button-main min-h-[56px] justify-self-start"
            >
              Take it: {say(fact(`result-${judged.decision.value}`))}
            </button>
          </>
        )}
      </div>
    </details>
  )
}

type Judged = { decision?: ReturnType<Led['judge']>; fault?: string }

/** What the figures say, or what about them nothing can have. */
function judge(of: () => ReturnType<Led['judge']>): Judged {
  try {
    return { decision: of() }
  } catch (error) {
    if (error instanceof ImpossibleInput) return { fault: `Look at the figures again: ${error.message}.` }
    throw error
  }
}
