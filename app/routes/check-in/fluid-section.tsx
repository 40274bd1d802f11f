import { Swatch } from '~/components/swatch'
import { useSay } from '~/lib/say'
import { Choices } from '~/ui/field'
import { Panel } from '~/ui/panel'
import { fluidSpecs } from '~core/fluid/specs'
import { colourFact, colours } from '~core/fluid/specs/colour'
import type { SectionProps } from './fields'

/** How the fluid in the reservoir looks, and which it is. */
export function FluidSection({ vehicle, fields }: SectionProps) {
  const say = useSay()
  return (
    <Panel className="grid gap-5">
      <h2>What is in it</h2>
      <Choices
        field={fields.colour}
        legend="Colour in the reservoir"
        options={colours.map((value) => ({
          value,
          label: say(colourFact(value)),
          picture: <Swatch colour={value} />,
        }))}
        columns="grid-cols-2 sm:grid-cols-3"
      />
      <Choices
        field={fields.fluidFound}
        legend="Which fluid is in it?"
        options={[
          { value: 'as-specified', label: `As called for: ${vehicle.fluid.spec}` },
          ...fluidSpecs
            .filter((spec) => spec !== vehicle.fluid.spec)
            .map((spec) => ({ value: spec, label: spec === 'mineral' ? 'Mineral oil' : spec })),
          { value: 'unknown', label: 'Not known' },
        ]}
        columns="grid-cols-2 sm:grid-cols-3"
      />
    </Panel>
  )
}
