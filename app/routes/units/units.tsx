import { data, useNavigation } from 'react-router'
import { useSay } from '~/lib/say'
import { isZone, setZone } from '~/lib/zone'
import { ActionBar } from '~/ui/action-bar'
import { Button } from '~/ui/button'
import { FormPanel } from '~/ui/form-panel'
import { fact } from '~core/base/decision'
import { metricUnits, quantityIds, type Units, unitsOf, unitsSchema, usUnits } from '~core/units/units'
import { database, personHere } from '~server/http/context.server'
import { saveOwnUnits, saveShopUnits, unitsFor } from '~server/store/units.server'
import { saveShopZone, shopZone } from '~server/store/zone.server'
import type { Route } from './+types/units'

export async function loader({ context }: Route.LoaderArgs) {
  const db = context.get(database)
  return {
    ...(await unitsFor(db, context.get(personHere)?.id)),
    zone: await shopZone(db),
    zones: Intl.supportedValuesOf('timeZone'),
  }
}

export async function action({ request, context }: Route.ActionArgs) {
  const db = context.get(database)
  const person = context.get(personHere)
  const form = Object.fromEntries(await request.formData())
  if (form.intent === 'shops' && person) {
    await saveOwnUnits(db, person.id, null)
    return data({ saved: 'own', fault: undefined })
  }
  if (form.intent === 'zone') {
    const zone = String(form.zone)
    if (!isZone(zone))
      return data({ saved: undefined, fault: 'Pick a time zone of the list.' }, { status: 400 })
    await saveShopZone(db, zone)
    setZone(zone)
    return data({ saved: 'zone', fault: undefined })
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
  const { shown, own, shop, zone, zones } = loaderData
  return (
    <div className="mx-auto grid max-w-5xl items-start gap-5 md:grid-cols-2">
      <title>Units and time · Ruddy Siphon</title>
      <h1 className="text-2xl md:col-span-2">Units and time</h1>
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
      <ZoneForm zone={zone} zones={zones} saved={actionData?.saved === 'zone'} />
      {actionData?.fault && <p className="fault md:col-span-2">{actionData.fault}</p>}
      <p className="text-quiet md:col-span-2">
        Units are what you see and type. Records, files and addresses keep metric, or the unit that was typed
        beside its number.
      </p>
    </div>
  )
}

/** Whose day it is: every date and time is the shop’s, wherever it is looked at. */
function ZoneForm({ zone, zones, saved }: { zone: string; zones: readonly string[]; saved: boolean }) {
  return (
    <FormPanel className="flex flex-wrap items-end gap-3 md:col-span-2" key={zone}>
      <label className="grid grow gap-1">
        <span className="field-label">The shop’s time zone: its days and times are everybody’s</span>
        <select name="zone" className="input" defaultValue={zone}>
          {[...new Set([zone, 'UTC', ...zones])].map((each) => (
            <option key={each}>{each}</option>
          ))}
        </select>
      </label>
      <Button type="submit" name="intent" value="zone" main>
        Save the zone
      </Button>
      {saved && <p role="status">Saved.</p>}
    </FormPanel>
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
  const say = useSay()
  return (
    <FormPanel className="grid gap-4" key={JSON.stringify(units)}>
      <input type="hidden" name="whose" value={whose} />
      <div>
        <h2 className="text-xl">{title}</h2>
        <p className="text-quiet">{note}</p>
      </div>
      {quantityIds.map((quantity) => (
        <label key={quantity} className="grid grid-cols-[1fr_9rem] items-center gap-3 font-bold">
          {say(fact(`quantity-${quantity}`))}
          <select name={quantity} className="input" defaultValue={units[quantity]}>
            {unitsOf(quantity).map((unit) => (
              <option key={unit}>{unit}</option>
            ))}
          </select>
        </label>
      ))}
      <ActionBar>
        <Button type="submit" name="intent" value="save" main disabled={busy}>
          Save
        </Button>
        <Button type="submit" name="intent" value="metric">
          All metric
        </Button>
        <Button type="submit" name="intent" value="us">
          All US
        </Button>
        {canFollow && (
          <Button type="submit" name="intent" value="shops">
            As the shop
          </Button>
        )}
        {saved && <p role="status">Saved.</p>}
      </ActionBar>
    </FormPanel>
  )
}
