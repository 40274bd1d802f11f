import { data, Form, Link, redirect, useNavigation, useSearchParams } from 'react-router'
import { LearnedPanel } from '~/components/learned-list'
import { LineMap } from '~/components/line-map/line-map'
import { planMarks } from '~/components/order-marks'
import { CarriedFromBench } from '~/components/plan/carried-from-bench'
import { Figures } from '~/components/plan/figures'
import { Order, TAKE_PLAN_FORM } from '~/components/plan/order'
import { PlanSpread } from '~/components/plan/plan-spread'
import { Stages } from '~/components/plan/stages'
import { WhatIf } from '~/components/plan/what-if'
import { Reasons } from '~/components/reasons'
import { stageNames } from '~/components/stage-names'
import { database } from '~/context'
import { findJob } from '~/db/jobs.server'
import { learnedOf } from '~/db/learned.server'
import { carriedFromBench } from '~/lib/from-bench'
import { newId } from '~/lib/ids'
import { planRequestFor } from '~/lib/plan-request.server'
import { recordDesk } from '~/lib/record-event.server'
import { orNotFound } from '~/lib/require'
import { methodName } from '~core/method'
import type { Plan } from '~core/plan/answer'
import { makePlan } from '~core/plan/plan'
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
    learned: await learnedOf(context.get(database), state.vehicleId, params.jobId),
    taken: state.planned !== undefined,
    eventId: newId(),
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const state = orNotFound(await findJob(context.get(database), params.jobId))
  const form = await request.formData()
  const eventId = String(form.get('eventId'))
  const orderWhy = String(form.get('orderWhy') ?? '')
    .trim()
    .slice(0, 500)
  const changes = new URL(request.url).searchParams
  const asked = await planRequestFor(context.get(database), state, changes, orderWhy)
  if (asked.work.order?.why === '')
    return data({ orderFault: 'Say why the order is changed: it stays in the record.' }, { status: 400 })
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
  const { vehicle, plan, shop, begun, eventId, asked, carried, learned } = loaderData
  return (
    <div className="grid grid-cols-1 items-start gap-5 lg:grid-cols-[3fr_2fr]">
      <title>Plan · Ruddy Siphon</title>
      <div className="grid gap-5">
        <h1 className="sr-only">Plan</h1>
        {plan.verdict === 'stop' ? <Stops plan={plan} /> : <Figures plan={plan} />}
        <CarriedFromBench carried={carried} />
        <LearnedPanel learned={learned} />
        {plan.stages.length > 0 && <Stages plan={plan} />}
        {!begun && <WhatIf shop={shop} />}
        {plan.verdict === 'go' && <PlanSpread request={asked} />}
      </div>
      <aside className="grid gap-5">
        {plan.verdict === 'go' && !begun && (
          <TakePlan
            eventId={eventId}
            refusal={actionData && 'refusal' in actionData ? actionData.refusal : undefined}
          />
        )}
        <section className="panel" aria-label="Line map">
          <LineMap vehicle={vehicle} marks={planMarks(plan)} className="[&_.lm-sheet]:max-h-[46vh]" />
        </section>
        {plan.order && (
          <Order
            vehicle={vehicle}
            order={plan.order}
            school={shop.orderSchool}
            fixed={begun}
            fault={actionData && 'orderFault' in actionData ? actionData.orderFault : undefined}
          />
        )}
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
  // While another plan is on its way, the one that stands here is not the one that was asked for.
  const onItsWay = useNavigation().state !== 'idle'
  return (
    <Form method="post" action={`?${search}`} id={TAKE_PLAN_FORM}>
      <input type="hidden" name="eventId" value={eventId} />
      {refusal && (
        <p role="alert" className="fault mb-2">
          {refusal}
        </p>
      )}
      <button type="submit" className="button button-main w-full text-lg" disabled={onItsWay}>
        Take this plan and begin
      </button>
    </Form>
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
