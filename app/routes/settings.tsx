import { getFormProps, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { data, Form, Link } from 'react-router'
import { z } from 'zod'
import { Choices, TextField } from '~/components/field'
import { database } from '~/context'
import { saveShopSettings, shopSettings } from '~/db/settings.server'
import { parseDecimal, requiredQuantity, withUnits } from '~/lib/fields'
import { themeCookie, themes } from '~/lib/theme'
import { useFieldText } from '~/lib/units'
import { methodName } from '~core/method'
import { methodIds } from '~core/method/method'
import { orderSchoolIds, orderSchools } from '~core/order'
import type { Route } from './+types/settings'

const shopFormSchema = z.object({
  methods: z.array(z.enum(methodIds)).default([]),
  orderSchool: z.enum(orderSchoolIds, 'Pick an order.'),
  scopeSchool: z.enum(['local', 'whole'], 'Pick one.'),
  tempC: requiredQuantity('temperature', { min: -40, max: 60 }, 'Give the usual temperature of the shop.'),
  heightM: requiredQuantity('run', { min: -400, max: 5000 }, 'Give the height of the shop; 0 at the sea.'),
  containersMl: z.string('Give at least one size.').transform((text, context) => {
    const sizes = text
      .split(/[;\s]+/)
      .filter(Boolean)
      .map(parseDecimal)
    const good = sizes.filter((size) => typeof size === 'number' && size >= 1 && size <= 250_000)
    if (good.length === sizes.length && good.length > 0 && good.length <= 20) return good as number[]
    context.addIssue({ code: 'custom', message: 'Give sizes in mL with spaces between, like 355 500 1000.' })
    return z.NEVER
  }),
})

export async function loader({ context }: Route.LoaderArgs) {
  return { shop: await shopSettings(context.get(database)) }
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await request.formData()
  if (form.get('intent') === 'theme') {
    const theme = themes.find((each) => each === form.get('theme')) ?? 'system'
    return data(null, { headers: { 'Set-Cookie': themeCookie(theme) } })
  }
  const submission = parseWithZod(withUnits(form), { schema: shopFormSchema })
  if (submission.status !== 'success') return data(submission.reply(), { status: 400 })
  await saveShopSettings(context.get(database), submission.value)
  return submission.reply()
}

export default function Settings({ loaderData: { shop }, actionData }: Route.ComponentProps) {
  const text = useFieldText()
  const [meta, fields] = useForm({
    lastResult: actionData,
    defaultValue: {
      ...shop,
      tempC: text('temperature', shop.tempC),
      heightM: text('run', shop.heightM),
      containersMl: shop.containersMl.join(' '),
    },
    onValidate: ({ formData }) => parseWithZod(withUnits(formData), { schema: shopFormSchema }),
  })
  return (
    <Form method="post" {...getFormProps(meta)} className="panel mx-auto grid max-w-4xl gap-6">
      <title>Shop · Ruddy Siphon</title>
      <h1 className="text-2xl">The shop</h1>
      <p>
        <Link to="/units">Units: yours and the shop’s</Link>
      </p>
      <p className="text-quiet">
        What every new plan starts from. A plan that was taken keeps what it was made with.
      </p>
      <Choices
        field={fields.methods}
        legend="What the shop can do"
        options={methodIds.map((value) => ({ value, label: methodName(value) }))}
        multiple
      />
      <Choices
        field={fields.orderSchool}
        legend="Order of the wheels, where the maker states none"
        options={orderSchoolIds.map((value) => ({
          value,
          label: `${orderSchools[value].name}. ${orderSchools[value].why}`,
        }))}
        columns=""
      />
      <Choices
        field={fields.scopeSchool}
        legend="After one opened corner"
        options={[
          { value: 'local', label: 'Bleed that corner, then let the pedal decide' },
          { value: 'whole', label: 'Bleed every bleeder' },
        ]}
      />
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField field={fields.tempC} label="Usual temperature of the shop" quantity="temperature" />
        <TextField
          field={fields.heightM}
          label="Height above the sea"
          quantity="run"
          hint="Fluid boils lower up there: a boiling reading is judged as at the sea"
        />
        <TextField
          field={fields.containersMl}
          label="Container sizes on the shelf"
          unit="mL"
          hint="Spaces between, like 355 500 1000"
        />
      </div>
      <div className="flex items-center gap-4">
        <button type="submit" className="button button-main">
          Save
        </button>
        {actionData?.status === 'success' && <p role="status">Saved.</p>}
      </div>
    </Form>
  )
}
