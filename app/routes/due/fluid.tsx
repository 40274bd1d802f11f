import { parseWithZod } from '@conform-to/zod/v4'
import { data, redirect } from 'react-router'
import { WaterChart } from '~/components/chart/water-chart'
import { withUnits } from '~/lib/fields'
import { orNotFound } from '~/lib/require'
import { useSay } from '~/lib/say'
import { today } from '~/lib/today'
import { useShow } from '~/lib/units'
import { Button, LinkButton } from '~/ui/button'
import { FormPanel } from '~/ui/form-panel'
import { Panel } from '~/ui/panel'
import { ImpossibleInput } from '~core/base/fault'
import { pairOf } from '~core/fluid/judge'
import { type HardUseId, hardUseFact, hardUseIds } from '~core/fluid/policy/hard-use'
import { limitsFor } from '~core/fluid/policy/policy'
import { database, personHere } from '~server/http/context.server'
import { addExchange, addReading, saveHardUse } from '~server/services/fluid-history.server'
import { dueUnder } from '~server/services/work-out-due.server'
import { exchangesOf, readingsOf } from '~server/store/fluid.server'
import { fluidNow } from '~server/store/fluid-histories.server'
import { shopPolicy } from '~server/store/policy.server'
import { shopSettings } from '~server/store/settings.server'
import { findVehicle } from '~server/store/vehicles.server'
import type { Route } from './+types/fluid'
import { DueByRule } from './by-rule'
import { EarlierForms } from './earlier-forms'
import { exchangeSchema, readEarlierReading } from './fluid-form'
import { FluidLog } from './fluid-log'

export async function loader({ params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const { id, plate, vehicle } = orNotFound(await findVehicle(db, params.vehicleId))
  const now = orNotFound((await fluidNow(db, [id], today())).get(id))
  const policy = await shopPolicy(db)
  return {
    id,
    plate,
    name: vehicle.name,
    spec: now.spec,
    product: now.product,
    hardUse: now.hardUse,
    limits: limitsFor(policy, now),
    due: dueUnder(policy, now),
    readings: await readingsOf(db, id),
    exchanges: await exchangesOf(db, id),
    today: today(),
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const db = context.get(database)
  const form = withUnits(await request.formData())
  const by = context.get(personHere)?.name ?? ''
  const { vehicle } = orNotFound(await findVehicle(db, params.vehicleId))
  const faulty = (which: string, faults: Record<string, string[] | null>) =>
    data(
      { which, faults, typed: Object.fromEntries([...form].map(([name, value]) => [name, String(value)])) },
      { status: 400 },
    )
  switch (form.get('intent')) {
    case 'hard-use':
      await saveHardUse(
        db,
        params.vehicleId,
        hardUseIds.filter((id) => form.getAll('use').includes(id)),
        today(),
      )
      break
    case 'exchange': {
      const read = parseWithZod(form, { schema: exchangeSchema(today()) })
      if (read.status !== 'success') return faulty('exchange', read.error ?? {})
      await addExchange(db, params.vehicleId, { ...read.value, by }, today())
      break
    }
    default: {
      const read = readEarlierReading(form, today())
      if (!read.ok) return faulty('reading', read.faults)
      const { heightM } = await shopSettings(db)
      try {
        await addReading(
          db,
          params.vehicleId,
          { ...read.reading, takenOn: read.takenOn, by, spec: vehicle.fluid.spec, heightM },
          today(),
        )
      } catch (error) {
        if (!(error instanceof ImpossibleInput)) throw error
        return faulty('reading', { value: [`Check the reading: ${error.message}.`] })
      }
    }
  }
  return redirect(`/vehicles/${params.vehicleId}/fluid`)
}

/** What a vehicle's fluid has been through, when it is due and why; for the screen and for A4 or Letter. */
export default function Fluid({ loaderData, actionData }: Route.ComponentProps) {
  const { id, plate, name, spec, limits, due, readings, exchanges, hardUse, product } = loaderData
  const show = useShow()
  const drawn = readings.flatMap(({ taken_on, water_pct, water_low, water_high, place }) =>
    water_pct === null
      ? []
      : [{ on: taken_on, pct: water_pct, low: water_low ?? water_pct, high: water_high ?? water_pct, place }],
  )
  return (
    <>
      <title>{`Fluid of ${plate || name} · Ruddy Siphon`}</title>
      <div className="mb-5 flex flex-wrap items-center gap-4">
        <span className="plate text-4xl">{plate || 'no plate'}</span>
        <div>
          <h1 className="text-2xl wrap-anywhere">Fluid: {name}</h1>
          <p>
            {spec} in it
            {product &&
              `, ${product.name}: dry ${show('temperature', product.dryC)}, wet ${show('temperature', product.wetC)}`}
          </p>
        </div>
        <LinkButton to={`/vehicles/${id}`} className="ml-auto print:hidden">
          The vehicle
        </LinkButton>
        <Button className="print:hidden" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <div className="grid grid-cols-1 items-start gap-5 lg:grid-cols-[3fr_2fr] print:block print:space-y-4">
        <div className="grid gap-5">
          <Panel>
            <h2>Water over the years</h2>
            <WaterChart
              takesWater={pairOf(spec) !== undefined}
              readings={drawn}
              exchanges={exchanges.map(({ done_on }) => done_on)}
              limitPct={limits.water}
              today={loaderData.today}
              className="h-[26rem] print:h-[9cm] print:w-[17cm]"
            />
          </Panel>
          <FluidLog readings={readings} exchanges={exchanges} />
        </div>
        <div className="grid gap-5">
          <DueByRule due={due} day={loaderData.today} />
          <HardUseForm hardUse={hardUse} />
          <EarlierForms spec={spec} today={loaderData.today} refused={actionData} />
        </div>
      </div>
    </>
  )
}

/** What this vehicle is put through. */
function HardUseForm({ hardUse }: { hardUse: readonly HardUseId[] }) {
  const say = useSay()
  return (
    <FormPanel className="print:hidden">
      <fieldset className="grid gap-2">
        <legend className="mb-1 font-bold">Hard use: limits are stricter for it</legend>
        {hardUseIds.map((use) => (
          <label key={use} className="choice">
            <input type="checkbox" name="use" value={use} defaultChecked={hardUse.includes(use)} />
            {say(hardUseFact(use))}
          </label>
        ))}
        <Button type="submit" name="intent" value="hard-use" className="justify-self-start">
          Keep this
        </Button>
      </fieldset>
    </FormPanel>
  )
}
