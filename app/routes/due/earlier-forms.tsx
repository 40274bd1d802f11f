import { useId, useState } from 'react'
import { Form } from 'react-router'
import { unitFieldOf } from '~/lib/fields'
import { useSay } from '~/lib/say'
import { useUnits } from '~/lib/units'
import { Button } from '~/ui/button'
import { DateInput } from '~/ui/date-input'
import { Panel } from '~/ui/panel'
import { readingPlaces } from '~core/fluid/readings'
import { type FluidSpec, fluidSpecs } from '~core/fluid/specs'
import { colourFact, colours } from '~core/fluid/specs/colour'
import { type TesterId, testerIds, testerOf, testerTitle } from '~core/fluid/testers'
import { type Quantity, quantities } from '~core/units/units'

type Refused = { which: string; faults: Record<string, string[] | null>; typed: Record<string, string> }
type Props = { spec: FluidSpec; today: string; refused?: Refused }

/** What is known from before this program, or from another shop. */
export function EarlierForms({ spec, today, refused }: Props) {
  return (
    <Panel title="Write down what was before" className="print:hidden">
      <div className="grid gap-5">
        <ReadingForm today={today} refused={refused?.which === 'reading' ? refused : undefined} />
        <ExchangeForm
          spec={spec}
          today={today}
          refused={refused?.which === 'exchange' ? refused : undefined}
        />
      </div>
    </Panel>
  )
}

type FormProps = { today: string; refused?: Refused }

function ReadingForm({ today, refused }: FormProps) {
  const say = useSay()
  const typed = refused?.typed ?? {}
  const [tester, setTester] = useState<TesterId>((typed.tester as TesterId | undefined) ?? 'percent-meter')
  const { asks } = testerOf(tester)
  const options =
    asks.of === 'choice'
      ? asks.options
      : colours.map((colour, value) => ({ value, label: say(colourFact(colour)) }))
  return (
    <Form method="post" className="grid gap-3" aria-label="An earlier reading">
      <div className="grid items-start gap-3 sm:grid-cols-2">
        <Labelled
          label="A reading, with"
          fault={refused?.faults.tester}
          control={(props) => (
            <select
              {...props}
              name="tester"
              className="input"
              value={tester}
              onChange={(event) => setTester(event.target.value as TesterId)}
            >
              {testerIds.map((id) => (
                <option key={id} value={id}>
                  {say(testerTitle(id))}
                </option>
              ))}
            </select>
          )}
        />
        {asks.of === 'number' ? (
          <Amount
            name="value"
            label="It showed"
            quantity={asks.quantity}
            unit={asks.unit}
            first={typed.value}
            fault={refused?.faults.value}
          />
        ) : (
          <Labelled
            label="It showed"
            fault={refused?.faults.value}
            control={(props) => (
              <select {...props} name="value" className="input" defaultValue={typed.value}>
                {options.map(({ value, label }) => (
                  <option key={value} value={value}>
                    {label}
                  </option>
                ))}
              </select>
            )}
          />
        )}
        <Labelled
          label="On"
          fault={refused?.faults.takenOn}
          control={(props) => (
            <DateInput {...props} name="takenOn" max={today} defaultValue={typed.takenOn} />
          )}
        />
        <Labelled
          label="From"
          fault={refused?.faults.at}
          control={(props) => (
            <select {...props} name="at" className="input" defaultValue={typed.at}>
              {readingPlaces.map((place) => (
                <option key={place}>{place}</option>
              ))}
            </select>
          )}
        />
      </div>
      <Button type="submit" name="intent" value="reading" className="justify-self-start">
        Write the reading down
      </Button>
    </Form>
  )
}

function ExchangeForm({ spec, today, refused }: FormProps & { spec: FluidSpec }) {
  const typed = refused?.typed ?? {}
  return (
    <Form method="post" className="grid gap-3 border-t-2 border-rule pt-4" aria-label="An earlier exchange">
      <div className="grid items-start gap-3 sm:grid-cols-2">
        <Labelled
          label="All fluid exchanged on"
          fault={refused?.faults.doneOn}
          control={(props) => <DateInput {...props} name="doneOn" max={today} defaultValue={typed.doneOn} />}
        />
        <Amount
          name="km"
          label="At"
          quantity="distance"
          unit="km"
          first={typed.km}
          fault={refused?.faults.km}
        />
        <Labelled
          label="With"
          fault={refused?.faults.spec}
          control={(props) => (
            <select {...props} name="spec" className="input" defaultValue={typed.spec ?? spec}>
              {fluidSpecs.map((each) => (
                <option key={each}>{each}</option>
              ))}
            </select>
          )}
        />
      </div>
      <Button type="submit" name="intent" value="exchange" className="justify-self-start">
        Write the exchange down
      </Button>
    </Form>
  )
}

type Control = { id: string; 'aria-describedby'?: string; 'aria-invalid'?: true }
type LabelledProps = { label: string; fault?: string[] | null; control: (props: Control) => React.ReactNode }

/** A control with its label, and what is wrong with it beside it. */
function Labelled({ label, fault, control }: LabelledProps) {
  const id = useId()
  return (
    <div>
      <label htmlFor={id} className="field-label">
        {label}
      </label>
      {control({ id, ...(fault && { 'aria-describedby': `${id}-fault`, 'aria-invalid': true as const }) })}
      {fault && (
        <p id={`${id}-fault`} className="fault">
          {fault.join(' ')}
        </p>
      )}
    </div>
  )
}

type AmountProps = {
  name: string
  label: string
  quantity?: Quantity
  unit: string
  first?: string
  fault?: string[] | null
}

/** A number with its unit, in the unit of whoever is here. */
function Amount({ name, label, quantity, unit, first, fault }: AmountProps) {
  const units = useUnits()
  const shown = quantity ? units[quantity] : unit
  return (
    <Labelled
      label={`${label}, ${shown}`}
      fault={fault}
      control={(props) => (
        <>
          <input
            {...props}
            name={name}
            inputMode="decimal"
            autoComplete="off"
            className="input"
            defaultValue={first}
          />
          {quantity && shown !== quantities[quantity].metric && (
            <input type="hidden" name={unitFieldOf(name)} value={shown} />
          )}
        </>
      )}
    />
  )
}
