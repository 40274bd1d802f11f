import { type FieldMetadata, getInputProps, getSelectProps } from '@conform-to/react'
import { unitFieldOf } from '~/lib/fields'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Faults } from '~/ui/field'
import { bubbleKinds, colourFact, colours } from '~core/fluid/specs/colour'

/** The fields of one place, as the form names them. */
export type RowFields = Record<
  'stage' | 'point' | 'ml' | 'pulls' | 'colour' | 'bubbles',
  FieldMetadata<unknown>
>

/** One place: what came out, how often, and how it looked last. */
export function PaperRow(props: { fields: RowFields; stage: number; name: string; plannedMl?: number }) {
  const { fields, stage, name, plannedMl } = props
  const show = useShow()
  const say = useSay()
  const unit = show.unit('volume')
  return (
    <tr className="border-b border-rule">
      <td>{stage + 1}</td>
      <th scope="row" className="p-1.5 align-top">
        {name}
        <input {...hidden(fields.stage)} />
        <input {...hidden(fields.point)} />
      </th>
      <td>{plannedMl === undefined ? '' : show('volume', plannedMl)}</td>
      <td className="w-28">
        <Cell field={fields.ml} label={`${name}, out, ${unit}`} />
        {unit !== 'mL' && <input type="hidden" name={unitFieldOf(fields.ml.name)} value={unit} />}
      </td>
      <td className="w-24">
        <Cell field={fields.pulls} label={`${name}, pulls`} />
      </td>
      <td>
        <Pick
          field={fields.colour}
          label={`${name}, colour`}
          options={colours.map((id) => ({ id, name: say(colourFact(id)) }))}
        />
      </td>
      <td>
        <Pick
          field={fields.bubbles}
          label={`${name}, bubbles`}
          options={bubbleKinds.map((id) => ({ id, name: id === 'none' ? 'no bubbles' : id }))}
        />
      </td>
    </tr>
  )
}

function hidden(field: FieldMetadata<unknown>) {
  const { key: _key, ...props } = getInputProps(field as FieldMetadata<string>, { type: 'hidden' })
  return props
}

function Cell({ field, label }: { field: FieldMetadata<unknown>; label: string }) {
  const { key: _key, ...props } = getInputProps(field as FieldMetadata<string>, { type: 'text' })
  return (
    <>
      <input {...props} className="input" inputMode="decimal" autoComplete="off" aria-label={label} />
      <Faults field={field} />
    </>
  )
}

function Pick(props: {
  field: FieldMetadata<unknown>
  label: string
  options: { id: string; name: string }[]
}) {
  const { key: _key, ...select } = getSelectProps(props.field as FieldMetadata<string>)
  return (
    <>
      <select {...select} className="input" aria-label={props.label}>
        <option value="">pick one</option>
        {props.options.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
      <Faults field={props.field} />
    </>
  )
}
