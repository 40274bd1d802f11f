import { data, Form, useNavigation } from 'react-router'
import { database, personHere } from '~/context'
import { saveOwnUnits, saveShopUnits, unitsFor } from '~/db/units.server'
import {
  metricUnits,
  quantityIds,
  quantityNames,
  type Units,
  unitsOf,
  unitsSchema,
  usUnits,
} from '~core/units/units'
import type { Route } from './+types/units'

export async function loader({ context }: Route.LoaderArgs) {
  return unitsFor(context.get(database), context.get(personHere)?.id)
}

export async function action({ request, context }: Route.ActionArgs) {
  const db = context.get(database)
  const person = context.get(personHere)
  const form = Object.fromEntries(await request.formData())
  if (form.intent === 'shops' && person) {
    await saveOwnUnits(db, person.id, null)
    return data({ saved: 'own', fault: undefined })
  }
  const read = unitsSchema.safeParse({ ...form, ...sets[String(form.intent)] })
  if (!read.success)
    return data({ saved: undefined, fault: 'Pick a unit for every quantity.' }, { status: 400 })
  if (form.whose === 'shop') await saveShopUnits(db, read.data)
  else if (person) await saveOwnUnits(db, person.id, read.data)
  return data({ saved: String(form.whose), fault: undefined })
}

/** Whole sets at one touch; anything between is picked quantity by quantity. */
const sets: Record<string, Units | undefined> = { metric: metricUnits, us: usUnits }

export default function UnitsPage({ loaderData, actionData }: Route.ComponentProps) {
  const { shown, own, shop } = loaderData
  return (
    <div className="mx-auto grid max-w-5xl items-start gap-5 md:grid-cols-2">
      <title>Units · Ruddy Siphon</title>
      <h1 className="text-2xl md:col-span-2">Units</h1>
      <Whose
        whose="own"
        title="Yours"
        note={own ? 'Your own choice.' : 'As the shop has them.'}
        units={shown}
        saved={actionData?.saved === 'own'}
        canFollow={own}
      />
      <Whose
        whose="shop"
        title="The shop’s"
        note="For everybody who has not picked their own."
        units={shop}
        saved={actionData?.saved === 'shop'}
      />
      {actionData?.fault && <p className="fault md:col-span-2">{actionData.fault}</p>}
      <p className="text-quiet md:col-span-2">
        Units are what you see and type. Records, files and addresses keep metric, or the unit that was typed
        beside its number.
      </p>
    </div>
  )
}

type WhoseProps = {
  whose: 'own' | 'shop'
  title: string
  note: string
  units: Units
  saved: boolean
  canFollow?: boolean
}

function Whose({ whose, title, note, units, saved, canFollow = false }: WhoseProps) {
  const busy = useNavigation().state !== 'idle'
  return (
    <Form method="post" className="panel grid gap-4" key={JSON.stringify(units)}>
      <input type="hidden" name="whose" value={whose} />
      <div>
        <h2 className="text-xl">{title}</h2>
        <p className="text-quiet">{note}</p>
      </div>
      {quantityIds.map((quantity) => (
        <label key={quantity} className="grid grid-cols-[1fr_9rem] items-center gap-3 font-bold">
          {quantityNames[quantity]}
          <select name={quantity} className="input" defaultValue={units[quantity]}>
            {unitsOf(quantity).map((unit) => (
              <option key={unit}>{unit}</option>
            ))}
          </select>
        </label>
      ))}
      <div className="flex flex-wrap items-center gap-3">
        <button type="submit" name="intent" value="save" className="button button-main" disabled={busy}>
          Save
        </button>
        <button type="submit" name="intent" value="metric" className="button">
          All metric
        </button>
        <button type="submit" name="intent" value="us" className="button">
          All US
        </button>
        {canFollow && (
          <button type="submit" name="intent" value="shops" className="button">
            As the shop
          </button>
        )}
        {saved && <p role="status">Saved.</p>}
      </div>
    </Form>
  )
}
