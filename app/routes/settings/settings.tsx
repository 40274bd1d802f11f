import { getFormProps, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { data, Link } from 'react-router'
import { z } from 'zod'
import { parseDecimal, requiredQuantity, withUnits } from '~/lib/fields'
import { useSay } from '~/lib/say'
import { themeCookie, themes } from '~/lib/theme'
import { useFieldText, useUnits } from '~/lib/units'
import { ActionBar } from '~/ui/action-bar'
import { Button } from '~/ui/button'
import { Choices, NoteField, TextField } from '~/ui/field'
import { FormPanel } from '~/ui/form-panel'
import { fact } from '~core/base/decision'
import { orderSchoolIds } from '~core/plan/order'
import { equipmentIds } from '~core/technique/equipment'
import { methodIds } from '~core/technique/technique'
import { toMetric, unitsOf } from '~core/units/units'
import { database } from '~server/http/context.server'
import { backUpNow, whatIsKept } from '~server/services/kept.server'
import { saveShopSettings, shopSettings } from '~server/store/settings.server'
import type { Route } from './+types/settings'
import { KeptPanel } from './kept-panel'

const linesOf = (text: string) =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)

const typedSchema = z.object({
  helpers: z.string('Give a number; 0 for nobody.').transform((text, context) => {
    const count = Number(text)
    if (/^\d{1,2}$/.test(text) && count <= 20) return count
    context.addIssue({ code: 'custom', message: 'Give a whole number from 0 to 20.' })
    return z.NEVER
  }),
  has: z.array(z.enum(equipmentIds)).default([]),
  adapters: z.string().default(''),
  methods: z.array(z.enum(methodIds)).default([]),
  orderSchool: z.enum(orderSchoolIds, 'Pick an order.'),
  scopeSchool: z.enum(['local', 'whole'], 'Pick one.'),
  tempC: requiredQuantity('temperature', { min: -40, max: 60 }, 'Give the usual temperature of the shop.'),
  heightM: requiredQuantity('run', { min: -400, max: 5000 }, 'Give the height of the shop; 0 at the sea.'),
  containersMl: z.string('Give at least one size.'),
  /** What the two lists above were typed in. */
  volumeUnit: z.enum(unitsOf('volume')).default('mL'),
  pressureUnit: z.enum(unitsOf('pressure')).default('kPa'),
})
const shopFormSchema = typedSchema.transform((typed, context) => {
  const { volumeUnit, pressureUnit, adapters, containersMl, ...shop } = typed
  const fault = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message })
  const sizes = containersMl
    .split(/[;\s]+/)
    .filter(Boolean)
    .map((size) => parseDecimal(size))
    .map((size) => (typeof size === 'number' ? toMetric('volume', size, volumeUnit) : Number.NaN))
  if (sizes.length === 0 || sizes.length > 20 || !sizes.every((ml) => ml >= 1 && ml <= 250_000))
    fault('containersMl', `Give sizes in ${volumeUnit} with spaces between.`)
  const rated = linesOf(adapters).flatMap((line) => {
    const { name, rating } = nameAndRating(line)
    const most = parseDecimal(rating)
    const maxKPa = typeof most === 'number' ? toMetric('pressure', most, pressureUnit) : Number.NaN
    if (name && name.length <= 60 && maxKPa > 0 && maxKPa <= 1000) return [{ name, maxKPa }]
    fault('adapters', `“${line}”: give a name and the most it takes in ${pressureUnit}.`)
    return []
  })
  return { ...shop, adapters: rated, containersMl: sizes }
})

/** The last word of a line is the rating, what stands before it the name. */
function nameAndRating(line: string): { name: string; rating: string } {
  const words = line.trim().split(/[\s,]+/)
  const rating = words.pop() ?? ''
  const before = line.trim().slice(0, line.trim().length - rating.length)
  const end = [...before].findLastIndex((sign) => !/[\s,]/.test(sign))
  return { name: [...before].slice(0, end + 1).join(''), rating }
}

export async function loader({ context }: Route.LoaderArgs) {
  const db = context.get(database)
  return { shop: await shopSettings(db), kept: await whatIsKept(db) }
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await request.formData()
  if (form.get('intent') === 'theme') {
    const theme = themes.find((each) => each === form.get('theme')) ?? 'system'
    return data(null, { headers: { 'Set-Cookie': themeCookie(theme) } })
  }
  if (form.get('intent') === 'backup') return data({ fault: await backUpNow() })
  const submission = parseWithZod(withUnits(form), { schema: shopFormSchema })
  if (submission.status !== 'success') return data(submission.reply(), { status: 400 })
  const { has, ...shop } = submission.value
  const lacks = equipmentIds.filter((id) => !has.includes(id))
  await saveShopSettings(context.get(database), { ...shop, lacks, onHand: [] })
  return submission.reply()
}

export default function Settings({ loaderData: { shop, kept }, actionData }: Route.ComponentProps) {
  const say = useSay()
  const text = useFieldText()
  const units = useUnits()
  const [meta, fields] = useForm({
    lastResult: actionData && 'status' in actionData ? actionData : undefined,
    defaultValue: {
      ...shop,
      tempC: text('temperature', shop.tempC),
      heightM: text('run', shop.heightM),
      helpers: String(shop.helpers),
      has: equipmentIds.filter((id) => !shop.lacks.includes(id)),
      adapters: shop.adapters.map(({ name, maxKPa }) => `${name}, ${text('pressure', maxKPa)}`).join('\n'),
      containersMl: shop.containersMl.map((ml) => text('volume', ml)).join(' '),
    },
    onValidate: ({ formData }) => parseWithZod(withUnits(formData), { schema: shopFormSchema }),
  })
  return (
    <>
      <title>Shop · Ruddy Siphon</title>
      <KeptPanel kept={kept} />
      <FormPanel {...getFormProps(meta)} className="mx-auto grid max-w-4xl gap-6">
        <h1 className="text-2xl">The shop</h1>
        <input type="hidden" name="volumeUnit" value={units.volume} />
        <input type="hidden" name="pressureUnit" value={units.pressure} />
        <p>
          <Link to="/units">Units: yours and the shop’s</Link> ·{' '}
          <Link to="/policy">When fluid is replaced, and the tester</Link>
        </p>
        <p className="text-quiet">
          What every new plan starts from. A plan that was taken keeps what it was made with.
        </p>
        <Choices
          field={fields.methods}
          legend="What the shop can do"
          options={methodIds.map((value) => ({ value, label: say({ code: `method-${value}` }) }))}
          multiple
        />
        <Choices
          field={fields.has}
          legend="What is at hand for them"
          options={equipmentIds.map((value) => ({
            value,
            label: say({ code: 'listed', params: { thing: fact(`equipment-${value}`) } }),
          }))}
          multiple
        />
        <div className="grid gap-4 sm:grid-cols-2">
          <TextField
            field={fields.helpers}
            label="People who can sit in the cab"
            hint="0: every plan is made for one person alone"
          />
          <NoteField
            field={fields.adapters}
            label="Cap adapters"
            hint={`Of the pressure machine, one a line: name, most ${units.pressure}. None listed: one is taken to fit`}
          />
        </div>
        <Choices
          field={fields.orderSchool}
          legend="Order of the wheels, where the maker states none"
          options={orderSchoolIds.map((value) => ({
            value,
            label: `${say({ code: `school-${value}` })}. ${say({ code: `school-${value}-why` })}`,
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
            label="Container sizes the shop buys"
            unit={units.volume}
            hint={`Spaces between, like ${[355, 500, 1000].map((ml) => text('volume', ml)).join(' ')}`}
          />
        </div>
        <ActionBar>
          <Button type="submit" main>
            Save
          </Button>
          {actionData && 'status' in actionData && actionData.status === 'success' && (
            <p role="status">Saved.</p>
          )}
        </ActionBar>
      </FormPanel>
    </>
  )
}
