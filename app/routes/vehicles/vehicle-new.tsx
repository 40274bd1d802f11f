import { getFormProps, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { useState } from 'react'
import { data, Form, redirect, useNavigation } from 'react-router'
import type { z } from 'zod'
import { FormRefusal } from '~/components/form-refusal'
import { withUnits } from '~/lib/fields'
import { useShow } from '~/lib/units'
import { ActionBar } from '~/ui/action-bar'
import { Button } from '~/ui/button'
import { Choices, TextField } from '~/ui/field'
import { Panel } from '~/ui/panel'
import { fluidSpecs } from '~core/fluid/specs'
import { layouts } from '~core/vehicle/layouts'
import { fromLayout } from '~core/vehicle/layouts/from-layout'
import type { Layout } from '~core/vehicle/layouts/layout'
import { database, personHere } from '~server/http/context.server'
import { importVehicle } from '~server/store/vehicles.server'
import type { Route } from './+types/vehicle-new'
import { hasDriverSide, LayoutPicker } from './layout-picker'
import { answersOf, newVehicleSchema, usualMarks } from './vehicle-form'
import { VehiclePreview } from './vehicle-preview'
import { VinNote } from './vin-note'

export async function action({ request, context }: Route.ActionArgs) {
  const submission = parseWithZod(withUnits(await request.formData()), { schema: newVehicleSchema })
  if (submission.status !== 'success') return data(submission.reply(), { status: 400 })
  const { plate, vin, ...form } = submission.value
  const made = fromLayout(form.layout, answersOf(form))
  if (!made.ok)
    return data(
      submission.reply({
        fieldErrors: {
          minMl: made.faults.filter(({ path }) => path.endsWith('minMl')).map(({ message }) => message),
        },
        formErrors: made.faults.filter(({ path }) => !path.endsWith('minMl')).map(({ message }) => message),
      }),
      { status: 400 },
    )
  const text = JSON.stringify(made.value, null, 2)
  const saved = await importVehicle(
    context.get(database),
    text,
    { plate, vin },
    context.get(personHere)?.name,
  )
  if (!saved.ok) throw new Error(`a layout made a file that does not read: ${saved.faults[0]?.path}`)
  return redirect(`/vehicles/${saved.value.id}`)
}

function firstLayout(): Layout {
  const [first] = layouts
  if (!first) throw new Error('there is no layout to begin from')
  return first
}

export default function NewVehicle({ actionData }: Route.ComponentProps) {
  const [meta, fields] = useForm({
    lastResult: actionData,
    defaultValue: { driverSide: 'left', fluidSpec: 'DOT 4' },
    onValidate: ({ formData }) => parseWithZod(withUnits(formData), { schema: newVehicleSchema }),
    shouldValidate: 'onBlur',
    shouldRevalidate: 'onInput',
  })
  const [layout, choose] = useState(firstLayout)
  const [typed, setTyped] = useState(() => new FormData())
  const draft = readDraft(typed, layout)
  const busy = useNavigation().state === 'submitting'
  const show = useShow()
  const marks = usualMarks(layout)
  return (
    <Form
      method="post"
      {...getFormProps(meta)}
      onChange={(event) => setTyped(new FormData(event.currentTarget))}
      className="grid grid-cols-1 items-start gap-5 lg:grid-cols-[3fr_2fr]"
    >
      <title>New vehicle · Ruddy Siphon</title>
      <div className="grid grid-cols-1 gap-5">
        <h1 className="text-3xl">New vehicle</h1>
        <LayoutPicker field={fields.layout} chosen={layout} choose={choose} />
        <Panel title="What is its own" className="grid gap-4">
          <FormRefusal errors={meta.errors} />
          <div className="grid gap-4 sm:grid-cols-2">
            <TextField field={fields.name} label="Name" hint="What the shop calls it" />
            <TextField field={fields.plate} label="Plate, as it hangs on the vehicle" />
            <div>
              <TextField field={fields.vin} label="Identification number" />
              <VinNote vin={draft.vin} />
            </div>
            <Choices
              field={fields.fluidSpec}
              legend="Fluid its cap or manual calls for"
              options={fluidSpecs.map((value) => ({ value, label: value }))}
              columns="grid-cols-2"
            />
          </div>
          {hasDriverSide(layout) ? (
            <Choices
              field={fields.driverSide}
              legend="Where the driver sits: the cylinder is there too"
              options={[
                { value: 'left', label: 'Left' },
                { value: 'right', label: 'Right' },
                { value: 'centre', label: 'In the middle' },
              ]}
              columns="sm:grid-cols-3"
            />
          ) : (
            <input type="hidden" name={fields.driverSide.name} value="centre" />
          )}
          <div className="grid gap-4 sm:grid-cols-2">
            <TextField
              field={fields.wheelbaseMm}
              label="Wheelbase"
              unit="mm"
              decimal
              hint={`Left empty: the usual ${layout.wheelbaseMm} mm`}
            />
            <TextField
              field={fields.trackMm}
              label="Track"
              unit="mm"
              decimal
              hint={`Left empty: the usual ${layout.trackMm} mm`}
            />
            <TextField
              field={fields.maxMl}
              label="Reservoir at MAX"
              quantity="volume"
              hint={`Left empty: the usual ${show('volume', marks.maxMl)}`}
            />
            <TextField
              field={fields.minMl}
              label="Reservoir at MIN"
              quantity="volume"
              hint={`Left empty: the usual ${show('volume', marks.minMl)}`}
            />
          </div>
        </Panel>
      </div>
      <VehiclePreview made={fromLayout(layout, answersOf(draft))} />
      <ActionBar className="lg:col-span-2">
        <Button type="submit" main disabled={busy}>
          {busy ? 'Saving…' : 'Save the vehicle'}
        </Button>
      </ActionBar>
    </Form>
  )
}

/** The form as far as it can be read, for the map beside it; what cannot be read is as if it were empty. */
function readDraft(form: FormData, layout: Layout) {
  const typed = withUnits(form)
  const field = <T,>(schema: z.ZodType<T>, name: string): T | undefined =>
    schema.safeParse(typed.get(name) ?? undefined).data
  const { shape } = newVehicleSchema
  return {
    layout,
    name: field(shape.name, 'name') ?? 'New vehicle',
    vin: String(typed.get('vin') ?? ''),
    driverSide: hasDriverSide(layout) ? (field(shape.driverSide, 'driverSide') ?? 'left') : 'centre',
    fluidSpec: field(shape.fluidSpec, 'fluidSpec') ?? 'DOT 4',
    wheelbaseMm: field(shape.wheelbaseMm, 'wheelbaseMm'),
    trackMm: field(shape.trackMm, 'trackMm'),
    maxMl: field(shape.maxMl, 'maxMl'),
    minMl: field(shape.minMl, 'minMl'),
  } as const
}
