import { parseWithZod } from '@conform-to/zod/v4'
import { data, redirect } from 'react-router'
import { withUnits } from '~/lib/fields'
import { today } from '~/lib/today'
import { pastItsTime } from '~core/stock/may-pour'
import { openFirst } from '~core/stock/reserve'
import { toBuy } from '~core/stock/to-buy'
import { quantities, readQuantity } from '~core/units/units'
import { database, personHere } from '~server/http/context.server'
import { sayHere } from '~server/http/say.server'
import { bookedIn } from '~server/services/booked.server'
import { shopSettings } from '~server/store/settings.server'
import {
  addContainers,
  containersFor,
  correctLeft,
  saveShelfSettings,
  shelfSettings,
  throwAway,
} from '~server/store/shelf.server'
import { drums, handOver } from '~server/store/waste.server'
import type { Route } from './+types/shelf'
import { Containers } from './containers'
import { DeliveryForm } from './delivery-form'
import { Drums } from './drums'
import { ShelfRules } from './rules'
import { deliverySchema, handOverSchema, shelfSettingsSchema } from './shelf-form'
import { ToBuyPanel } from './to-buy'

export async function loader({ context }: Route.LoaderArgs) {
  const db = context.get(database)
  const settings = await shelfSettings(db)
  const day = today()
  const say = sayHere(context)
  const all = (await containersFor(db)).map((container) => {
    const past = pastItsTime(container, { rule: settings.rule, today: day })
    return { ...container, past: past && say(past) }
  })
  const usable = all.filter(({ past, leftMl }) => past === undefined && leftMl > 0)
  // Where there is but one of a kind, nobody has to be told which.
  const firsts = new Set(
    [...new Set(usable.map(({ spec }) => spec))].flatMap((spec) => {
      const [first, second] = openFirst(usable.filter((each) => each.spec === spec))
      return first && second ? [first.code] : []
    }),
  )
  const booked = await bookedIn(db)
  const { containersMl } = await shopSettings(db)
  return {
    settings,
    day,
    containers: openFirst(all).map((each) => ({ ...each, first: firsts.has(each.code) })),
    booked,
    buy: toBuy(
      booked,
      usable.map(({ spec, leftMl }) => ({ spec, ml: leftMl })),
      containersMl,
    ),
    drums: await drums(db, settings.drumMl, day),
  }
}

export async function action({ request, context }: Route.ActionArgs) {
  const db = context.get(database)
  const form = withUnits(await request.formData())
  const by = context.get(personHere)?.name ?? ''
  const code = String(form.get('code') ?? '')
  switch (form.get('intent')) {
    case 'delivery': {
      const read = parseWithZod(form, { schema: deliverySchema })
      if (read.status !== 'success') return data({ delivery: read.reply() }, { status: 400 })
      const added = await addContainers(db, read.value, by)
      if (!added.ok) return data({ delivery: read.reply({ formErrors: [added.fault] }) }, { status: 400 })
      return redirect(`/shelf/labels?${added.codes.map((each) => `code=${each}`).join('&')}`)
    }
    case 'throw-away':
      await throwAway(db, code, today(), by)
      break
    case 'correct': {
      const left = readQuantity(String(form.get('leftMl') ?? ''), 'volume', quantities.volume.metric)
      const fault =
        left && left.metric >= 0
          ? await correctLeft(db, code, left.metric, by)
          : 'Give how much is really left in it, like 350.'
      if (fault) return data({ container: { code, fault } }, { status: 400 })
      break
    }
    case 'hand-over': {
      const read = parseWithZod(form, { schema: handOverSchema })
      if (read.status !== 'success') {
        const text = Object.values(read.error ?? {})
          .flat()
          .join(' ')
        return data(
          {
            drum: { kind: String(form.get('kind')), text, typed: { paper: String(form.get('paper') ?? '') } },
          },
          { status: 400 },
        )
      }
      await handOver(db, read.value.kind, read.value.on, read.value.paper, by)
      break
    }
    default: {
      const read = parseWithZod(form, { schema: shelfSettingsSchema })
      if (read.status !== 'success')
        return data(
          {
            settings: Object.values(read.error ?? {})
              .flat()
              .join(' '),
          },
          { status: 400 },
        )
      await saveShelfSettings(db, read.value)
    }
  }
  return redirect('/shelf')
}

/** What refused, whichever of the page's forms it was. */
type Refused = {
  delivery?: React.ComponentProps<typeof DeliveryForm>['refused']
  container?: { code: string; fault: string }
  drum?: React.ComponentProps<typeof Drums>['fault']
  settings?: string
}

export default function Shelf({ loaderData, actionData }: Route.ComponentProps) {
  const { containers, settings, booked, buy, day } = loaderData
  const refused: Refused = actionData ?? {}
  return (
    <>
      <title>Shelf · Ruddy Siphon</title>
      <h1 className="mb-5 text-3xl">Shelf</h1>
      {refused.container && (
        <p role="alert" className="fault mb-3">
          {refused.container.code}: {refused.container.fault}
        </p>
      )}
      <div className="grid grid-cols-1 items-start gap-5 lg:grid-cols-[3fr_2fr]">
        <div className="grid gap-5">
          <Containers list={containers} money={settings.money} />
        </div>
        <div className="grid gap-5">
          <ToBuyPanel list={buy} booked={booked} />
          <DeliveryForm refused={refused.delivery} money={settings.money} key={containers.length} />
          <Drums drums={loaderData.drums} capacityMl={settings.drumMl} today={day} fault={refused.drum} />
          <ShelfRules settings={settings} fault={refused.settings} />
        </div>
      </div>
    </>
  )
}
