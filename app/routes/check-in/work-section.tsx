import { FormRefusal } from '~/components/form-refusal'
import { useSay } from '~/lib/say'
import { reasonNames } from '~/lib/words'
import { Choices, TextField } from '~/ui/field'
import { LoneLink } from '~/ui/lone-link'
import { Panel } from '~/ui/panel'
import type { CheckIn } from '~core/job/events'
import { partFact } from '~core/vehicle/parts'
import type { SectionProps } from './fields'

/** Why it is here: what was opened or replaced, and whether it ran dry. */
export function WorkSection({
  vehicle,
  fields,
  draft,
  errors,
}: SectionProps & { draft?: CheckIn; errors?: string[] }) {
  const say = useSay()
  const things = [
    ...vehicle.parts.map((part) => ({
      value: part.id,
      label: `${say(partFact(part))}${say(partFact(part)) === part.id ? '' : ` (${part.id})`}`,
    })),
    ...vehicle.lines.map(({ id = '' }) => ({ value: id, label: `line: ${id}` })),
  ]
  const picked = pickedIn(draft)
  return (
    <Panel className="grid gap-5">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h1 className="text-2xl">Check in</h1>
        <LoneLink to="../pedal" relative="path">
          Feel the pedal first, before anything is opened
        </LoneLink>
      </div>
      <FormRefusal errors={errors} />
      <TextField
        field={fields.bay}
        label="Where does it stand?"
        hint="Like Bay 2; shown large on every screen of this job"
      />
      <Choices
        field={fields.reason}
        legend="Why is it here?"
        options={Object.entries(reasonNames).map(([value, label]) => ({ value, label }))}
        columns="sm:grid-cols-2 xl:grid-cols-4"
      />
      <details open={picked.length > 0} className="border-2 border-rule px-3">
        <summary className="font-bold">
          What was opened or replaced?
          <span className="font-normal text-quiet">
            {picked.length === 0
              ? ' Nothing so far; tap it on the map or open this list.'
              : ` ${picked.join(', ')}`}
          </span>
        </summary>
        <div className="mt-3 grid gap-4">
          <Choices field={fields.opened} legend="Opened" options={things} columns="sm:grid-cols-2" multiple />
          <Choices
            field={fields.replaced}
            legend="Replaced with new"
            options={things}
            columns="sm:grid-cols-2"
            multiple
          />
        </div>
      </details>
      <Choices
        field={fields.state}
        legend="Did it run dry?"
        options={[
          { value: 'ranDry', label: 'The reservoir ran dry' },
          { value: 'systemEmpty', label: 'The whole system is empty' },
          {
            value: 'portsStayedCovered',
            label: 'Below MIN, but its ports stayed covered: no air went in',
          },
        ]}
        multiple
      />
    </Panel>
  )
}

/** Parts and lines that are ticked as opened or replaced. */
export const pickedIn = (draft?: CheckIn): string[] => [
  ...(draft?.work.opened ?? []),
  ...(draft?.work.replaced ?? []),
]
