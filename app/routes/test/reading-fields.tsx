import type { FieldMetadata } from '@conform-to/react'
import { Swatch } from '~/components/swatch'
import { useSay } from '~/lib/say'
import { Choices, TextField } from '~/ui/field'
import { colourFact, colours } from '~core/fluid/specs/colour'
import { type TesterId, testerOf, testerSays } from '~core/fluid/testers'

type Props = {
  tester: TesterId
  value: FieldMetadata<unknown>
  at: FieldMetadata<unknown>
  /** "The tester" or "The second tester". */
  who: string
  /** Beside the value: the way to take it from an instrument. */
  children?: React.ReactNode
}

/** What one tester showed and where its sample came from, asked for as that tester shows it. */
export function ReadingFields({ tester, value, at, who, children }: Props) {
  const say = useSay()
  const { asks } = testerOf(tester)
  return (
    <>
      <p className="text-sm text-quiet">{say(testerSays(tester))}</p>
      {asks.of === 'number' && (
        <div className="grid items-end gap-3 sm:grid-cols-[1fr_auto]">
          <TextField
            key={tester}
            field={value}
            label={`${who} shows`}
            {...(asks.quantity ? { quantity: asks.quantity } : { unit: asks.unit, decimal: true })}
          />
          {children}
        </div>
      )}
      {asks.of === 'choice' && (
        <>
          <Choices
            key={tester}
            field={value}
            legend={`${who} shows`}
            options={asks.options.map((option) => ({ value: String(option.value), label: option.label }))}
            columns="grid-cols-2 sm:grid-cols-3"
          />
          {children}
        </>
      )}
      {asks.of === 'colour' && (
        <Choices
          key={tester}
          field={value}
          legend="It looks"
          options={colours.map((colour, i) => ({
            value: String(i),
            label: say(colourFact(colour)),
            picture: <Swatch colour={colour} />,
          }))}
          columns="grid-cols-2 sm:grid-cols-3"
        />
      )}
      <Choices
        field={at}
        legend="Sample taken from"
        options={[
          { value: 'reservoir', label: 'the reservoir' },
          { value: 'caliper', label: 'a caliper (older fluid)' },
        ]}
      />
    </>
  )
}
