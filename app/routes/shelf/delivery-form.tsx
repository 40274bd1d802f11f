import { getFormProps, type SubmissionResult, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { FormRefusal } from '~/components/form-refusal'
import { withUnits } from '~/lib/fields'
import { ActionBar } from '~/ui/action-bar'
import { Button } from '~/ui/button'
import { DateInput } from '~/ui/date-input'
import { TextField } from '~/ui/field'
import { FormPanel } from '~/ui/form-panel'
import { fluidSpecs } from '~core/fluid/specs'
import { deliverySchema } from './shelf-form'

/** What came: each container gets a code of its own and a label. */
export function DeliveryForm({ refused, money }: { refused?: SubmissionResult; money: string }) {
  const [meta, fields] = useForm({
    id: 'delivery',
    lastResult: refused,
    defaultValue: { count: '1', spec: 'DOT 4' },
    onValidate: ({ formData }) => parseWithZod(withUnits(formData), { schema: deliverySchema }),
  })
  return (
    <FormPanel {...getFormProps(meta)} className="grid gap-3">
      <h2>What came</h2>
      <FormRefusal errors={meta.errors} />
      <TextField field={fields.product} label="Product" />
      <div className="grid gap-3 sm:grid-cols-2">
        <div>
          <label htmlFor={fields.spec.id} className="field-label">
            Kind, as its label says
          </label>
          <select
            id={fields.spec.id}
            name={fields.spec.name}
            defaultValue={fields.spec.initialValue}
            className="input"
          >
            {fluidSpecs.map((spec) => (
              <option key={spec} value={spec}>
                {spec === 'mineral' ? 'Mineral oil' : spec}
              </option>
            ))}
          </select>
        </div>
        <TextField field={fields.batch} label="Batch" />
        <TextField field={fields.sizeMl} label="Size of one" quantity="volume" />
        <TextField field={fields.count} label="How many" />
        <TextField field={fields.price} label={`Price of one${money && `, ${money}`}`} decimal />
      </div>
      <details>
        <summary className="font-bold">Opened already, or its data sheet</summary>
        <div className="grid gap-3 sm:grid-cols-2">
          <div>
            <label htmlFor={fields.openedOn.id} className="field-label">
              Opened on
            </label>
            <DateInput
              id={fields.openedOn.id}
              name={fields.openedOn.name}
              defaultValue={fields.openedOn.initialValue}
            />
            {fields.openedOn.errors && <p className="fault">{fields.openedOn.errors.join(' ')}</p>}
          </div>
          <TextField field={fields.leftMl} label="Left in it" quantity="volume" />
          <TextField field={fields.dryC} label="Dry boiling point" quantity="temperature" />
          <TextField field={fields.wetC} label="Wet boiling point" quantity="temperature" />
        </div>
      </details>
      <ActionBar>
        <Button type="submit" name="intent" value="delivery" main>
          Put on the shelf, and show the labels
        </Button>
      </ActionBar>
    </FormPanel>
  )
}
