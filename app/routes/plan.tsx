import { Form, Link, redirect, useSearchParams, useSubmit } from 'react-router'
import { CarriedFromBench } from '~/components/carried-from-bench'
import { LineMap } from '~/components/line-map/line-map'
import { planMarks } from '~/components/order-marks'
import { PlanSpread } from '~/components/plan-spread'
import { Reasons } from '~/components/reasons'
import { stageNames } from '~/components/stage-names'
import { database } from '~/context'
import { findJob } from '~/db/jobs.server'
import { unitFieldOf } from '~/lib/fields'
import { counted, showMinutes } from '~/lib/format'
import { carriedFromBench } from '~/lib/from-bench'
import { newId } from '~/lib/ids'
import { planRequestFor } from '~/lib/plan-request.server'
import { recordDesk } from '~/lib/record-event.server'
import { orNotFound } from '~/lib/require'
import { useFieldText, useShow } from '~/lib/units'
import { methodName } from '~core/method'
import { orderSchoolIds, orderSchools } from '~core/order'
import type { Plan, Stage } from '~core/plan/answer'
import { makePlan } from '~core/plan/plan'
import type { Shop } from '~core/plan/request'
import type { Route } from './+types/plan'

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const state = orNotFound(await findJob(context.get(database), params.jobId))
  if (!state.checkIn) throw redirect(`/jobs/${params.jobId}/check-in`)
  if (!state.tested) throw redirect(`/jobs/${params.jobId}/test`)
  const begun = state.run?.plateConfirmed === true || state.filed !== undefined
  const changes = new URL(request.url).searchParams
  const asked = await planRequestFor(context.get(database), state, changes)
  const taken = begun ? state.planned : undefined
  return {
    vehicle: state.vehicle,
    shop: taken?.shop ?? asked.shop,
    plan: taken?.plan ?? makePlan(asked),
    asked: { ...asked, shop: taken?.shop ?? asked.shop },
    carried: taken ? (taken.fromBench ?? []) : carriedFromBench(changes),
    begun,
    taken: state.planned !== undefined,
    eventId: newId(),
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const state = orNotFound(await findJob(context.get(database), params.jobId))
  const eventId = String((await request.formData()).get('eventId'))
  const changes = new URL(request.url).searchParams
  const asked = await planRequestFor(context.get(database), state, changes)
  const act = {
    id: eventId,
    type: 'planned' as const,
    shop: asked.shop,
    fromBench: carriedFromBench(changes),
    plan: makePlan(asked),
  }
  const refusal = await recordDesk(context, params.jobId, act)
  return refusal === undefined ? redirect(`/jobs/${params.jobId}/bleed`) : { refusal }
}

export default function PlanPage({ loaderData, actionData }: Route.ComponentProps) {
  const { vehicle, plan, shop, begun, eventId, asked, carried } = loaderData
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[3fr_2fr]">
      <title>Plan · Ruddy Siphon</title>
      <div className="grid gap-5">
        <h1 className="sr-only">Plan</h1>
        {plan.verdict === 'stop' ? <Stops plan={plan} /> : <Figures plan={plan} />}
        <CarriedFromBench carried={carried} />
        {plan.stages.length > 0 && <Stages plan={plan} />}
        {plan.verdict === 'go' && <PlanSpread request={asked} />}
      </div>
      <aside className="grid gap-5">
        {plan.verdict === 'go' && !begun && <TakePlan eventId={eventId} refusal={actionData?.refusal} />}
        <section className="panel" aria-label="Line map">
          <LineMap vehicle={vehicle} marks={planMarks(plan)} className="[&>svg]:max-h-[46vh]" />
        </section>
        {!begun && <WhatIf shop={shop} />}
        {begun && (
          <p className="border-l-8 border-ink bg-sheet p-3 font-bold">
            This plan was taken, and the work has begun under it.
          </p>
        )}
      </aside>
      <div className="grid items-start gap-5 lg:col-span-2 lg:grid-cols-2">
        <section className="panel" aria-labelledby="why">
          <h2 id="why">Why</h2>
          <Reasons reasons={plan.reasons} />
        </section>
        <div className="grid gap-5">
          <Cautions plan={plan} />
          <section className="panel" aria-labelledby="not-taken">
            <h2 id="not-taken">Methods not taken</h2>
            <ul className="grid gap-1.5">
              {plan.methodsRejected.map(({ method, text }) => (
                <li key={method}>
                  <strong>{methodName(method)}.</strong> {text}
                </li>
              ))}
            </ul>
          </section>
        </div>
      </div>
    </div>
  )
}

function Stops({ plan }: { plan: Plan }) {
  return (
    <section className="hatched grid gap-3 border-4 border-oxide bg-sheet p-5">
      <h2 className="text-3xl">Stop: settle this first</h2>
      <ul className="grid gap-2 text-lg font-bold">
        {plan.stops.map(({ code, text }) => (
          <li key={code}>{text}</li>
        ))}
      </ul>
      <p>
        No fluid is moved until then. <Link to="../check-in">Correct the check-in</Link> or{' '}
        <Link to="/settings">what the shop can do</Link>.
      </p>
    </section>
  )
}

function TakePlan({ eventId, refusal }: { eventId: string; refusal?: string }) {
  const [search] = useSearchParams()
  return (
    <Form method="post" action={`?${search}`}>
      <input type="hidden" name="eventId" value={eventId} />
      {refusal && (
        <p role="alert" className="fault mb-2">
          {refusal}
        </p>
      )}
      <button type="submit" className="button button-main w-full text-lg">
        Take this plan and begin
      </button>
    </Form>
  )
}

function Figures({ plan }: { plan: Plan }) {
  const show = useShow()
  const minutes = plan.stages.reduce((sum, stage) => sum + stage.minutes, 0)
  const bleed = plan.stages.find((stage) => stage.kind === 'bleed')
  const buy = plan.fluid.buy.map(({ ml, count }) => `${count} × ${show('volume', ml)}`).join(' + ')
  return (
    <section className="panel" aria-label="The plan in short">
      <p className="mb-3 text-xl">
        <strong>{bleed?.method ? methodName(bleed.method) : 'No bleeding'}</strong>
        {plan.pressureKPa !== undefined && `, ${show('pressure', plan.pressureKPa)}`}
        {plan.vacuumKPa !== undefined && `, ${show('pressure', plan.vacuumKPa)} below atmosphere`}
        {bleed && `, order ${bleed.order.join(' → ')}`}
      </p>
      <dl className="grid grid-cols-2 gap-px bg-rule sm:grid-cols-4">
        <Figure
          name={`new ${plan.fluid.spec}`}
          value={show.number('volume', plan.fluid.totalMl)}
          unit={show.unit('volume')}
          note={`of it ${show('volume', plan.fluid.reservoirMl)} in the reservoir`}
        />
        <Figure name="open" value={buy || 'nothing'} note="least left over" />
        <Figure name="time" value={showMinutes(minutes)} unit="min" note="fluid and hands" />
        <Figure
          name="top up every"
          value={show.number('volume', plan.topUpEvery.ml)}
          unit={show.unit('volume')}
          note={`at most ${counted(plan.topUpEvery.strokes, 'full stroke')}`}
        />
      </dl>
    </section>
  )
}

function Figure({ name, value, unit, note }: { name: string; value: string; unit?: string; note: string }) {
  return (
    <div className="flex flex-col bg-sheet p-3">
      <dt className="text-quiet">{name}</dt>
      <dd className="order-first text-2xl font-extrabold">
        {value} {unit && <span className="text-base font-semibold">{unit}</span>}
      </dd>
      <dd className="text-sm text-quiet">{note}</dd>
    </div>
  )
}

/** A stage may come twice (base bleed, cycle, base bleed): its number is what tells it apart. */
const numbered = (stages: readonly Stage[]) => stages.map((stage, i) => ({ stage, number: i + 1 }))

function Stages({ plan }: { plan: Plan }) {
  const show = useShow()
  return (
    <section className="panel" aria-labelledby="stages">
      <h2 id="stages">Stages</h2>
      <ol className="grid gap-2">
        {numbered(plan.stages).map(({ stage, number }) => (
          <li
            key={number}
            className="grid grid-cols-[2.5rem_1fr_auto] items-baseline gap-x-3 border-b border-rule pb-2"
          >
            <span className="text-xl font-extrabold">{number}</span>
            <span className="font-bold">
              {stageNames[stage.kind]}
              {stage.kind === 'bleed' && stage.method && (
                <span className="font-normal">: {methodName(stage.method)}</span>
              )}
            </span>
            <span className="text-right whitespace-nowrap">
              {stage.ml > 0 && `${show('volume', stage.ml)}, `}
              {showMinutes(stage.minutes)} min
            </span>
            {stage.mlByBleeder && <Volumes stage={stage} expected={plan.expectedOldPct} />}
            {stage.mlByBleeder && Object.keys(plan.expectedOldPct).length > 0 && (
              <p className="col-span-2 col-start-2 text-sm text-quiet">
                How old the last drops are if the reservoir is drawn to MIN and no lower. Lower, with every
                port covered, is better.
              </p>
            )}
          </li>
        ))}
      </ol>
    </section>
  )
}

/** Each bleeder's share as a bar, so that the order and the amounts are seen at once. */
function Volumes({ stage, expected }: { stage: Stage; expected: Plan['expectedOldPct'] }) {
  const show = useShow()
  const most = Math.max(1, ...Object.values(stage.mlByBleeder ?? {}))
  return (
    <ol className="col-span-2 col-start-2 mt-1 grid gap-1">
      {stage.order.map((id) => {
        const ml = stage.mlByBleeder?.[id] ?? 0
        return (
          <li key={id} className="grid grid-cols-[4rem_1fr_5rem_10rem] items-center gap-3">
            <strong className="truncate" title={id}>
              {id}
            </strong>
            <span className="h-3 border border-ink bg-enamel">
              <span className="block h-full bg-oxide" style={{ width: `${(100 * ml) / most}%` }} />
            </span>
            <span className="text-right">{show('volume', ml)}</span>
            <span className="text-right text-sm text-quiet">
              {expected[id] !== undefined && `last drops ${Math.round(expected[id])} % old`}
            </span>
          </li>
        )
      })}
    </ol>
  )
}

function Cautions({ plan }: { plan: Plan }) {
  return (
    <section className="panel" aria-labelledby="cautions">
      <h2 id="cautions">Cautions</h2>
      <ul className="grid gap-1.5">
        {plan.cautions.map(({ code, text, at }) => (
          <li
            key={code}
            className="grid grid-cols-[1fr_auto] items-baseline gap-3 border-b border-rule pb-1.5"
          >
            <span>{text}</span>
            <span className="text-sm whitespace-nowrap text-quiet italic">
              {at ? stageNames[at].toLowerCase() : 'always'}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** Change what the plan stands on, and see what moves. */
function WhatIf({ shop }: { shop: Shop }) {
  const submit = useSubmit()
  const [search] = useSearchParams()
  const chosen = search.get('method') ?? ''
  const show = useShow()
  const text = useFieldText()
  return (
    <Form
      method="get"
      className="panel grid gap-3"
      onChange={(event) => submit(event.currentTarget, { replace: true, preventScrollReset: true })}
    >
      <h2>What if</h2>
      {show.unit('temperature') !== '°C' && (
        <input type="hidden" name={unitFieldOf('tempC')} value={show.unit('temperature')} />
      )}
      {/* What was carried from the Bench stays while something else is tried. */}
      {search.getAll('bench').map((carried) => (
        <input key={carried} type="hidden" name="bench" value={carried} />
      ))}
      <div className="grid gap-3 sm:grid-cols-2">
        <div className="grid gap-1">
          <label htmlFor="tempC" className="font-bold">
            Shop temperature, {show.unit('temperature')}
          </label>
          <input
            className="input"
            inputMode="decimal"
            id="tempC"
            name="tempC"
            defaultValue={text('temperature', shop.tempC)}
          />
        </div>
        <div className="grid gap-1">
          <label htmlFor="orderSchool" className="font-bold">
            Order of wheels
          </label>
          <select className="input" id="orderSchool" name="orderSchool" defaultValue={shop.orderSchool}>
            {orderSchoolIds.map((id) => (
              <option key={id} value={id}>
                {orderSchools[id].name}
              </option>
            ))}
          </select>
        </div>
        <div className="grid gap-1 sm:col-span-2">
          <label htmlFor="targetOldPct" className="font-bold">
            Last drops at most, % old
          </label>
          <input
            className="input"
            inputMode="decimal"
            id="targetOldPct"
            name="targetOldPct"
            placeholder="5, or 1 for a conversion"
            defaultValue={shop.targetOldPct}
          />
        </div>
        <div className="grid gap-1 sm:col-span-2">
          <label htmlFor="method" className="font-bold">
            Method
          </label>
          <select className="input" id="method" name="method" defaultValue={chosen}>
            <option value="">the best the shop can do</option>
            {['two-person', 'solo', 'gravity', 'pressure', 'vacuum', 'pressure-vacuum', 'reverse'].map(
              (id) => (
                <option key={id} value={id}>
                  {methodName(id)}
                </option>
              ),
            )}
          </select>
        </div>
      </div>
      <noscript>
        <button type="submit" className="button">
          Plan again
        </button>
      </noscript>
    </Form>
  )
}
