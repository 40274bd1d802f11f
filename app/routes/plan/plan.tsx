import { useMemo } from 'react'
import { data, redirect } from 'react-router'
import { LearnedPanel } from '~/components/learned-list'
import { LineMap } from '~/components/line-map/line-map'
import { planMarks } from '~/components/order-marks'
import { Reasons } from '~/components/reasons'
import { carriedFromBench } from '~/lib/from-bench'
import { newId } from '~/lib/ids'
import { changedRequest } from '~/lib/plan-request'
import { orNotFound } from '~/lib/require'
import type { Station } from '~/routes/job/station'
import { LoneFileLink, LoneLink } from '~/ui/lone-link'
import { Notice } from '~/ui/notice'
import { Panel } from '~/ui/panel'
import { readingDue } from '~core/job/selectors'
import { isByHand } from '~core/plan/by-hand'
import { makePlan } from '~core/plan/plan'
import { database } from '~server/http/context.server'
import { jobOnPage } from '~server/http/job-on-page.server'
import { recordDesk } from '~server/http/record-event.server'
import { learnedOf } from '~server/services/learned.server'
import { planBaseFor } from '~server/services/plan-request.server'
import { findJob } from '~server/store/jobs.server'
import type { Route } from './+types/plan'
import { CarriedFromBench } from './carried-from-bench'
import { ChangesProvider, useChanges, useOwnChanges } from './changes'
import { FigureSource } from './figure'
import { Figures } from './figures'
import { Order } from './order'
import { PlanRig } from './plan-rig'
import { PlanSpread } from './plan-spread'
import { Stages } from './stages'
import { Cautions, Stops } from './stops'
import { TakePlan } from './take-plan'
import { UnitChoice } from './unit-choice'
import { Ways } from './ways'
import { WhatIf } from './what-if'

export const handle: Station = { parksHere: true }

export async function loader({ params, context }: Route.LoaderArgs) {
  const state = await jobOnPage(context, params.jobId)
  if (!state.checkIn) throw redirect(`/jobs/${params.jobId}/check-in`)
  if (readingDue(state)) throw redirect(`/jobs/${params.jobId}/test`)
  const begun = state.run?.plateConfirmed === true || state.filed !== undefined
  return {
    base: await planBaseFor(context.get(database), params.jobId, state),
    /** The plan the work has begun under. */
    begun: begun ? state.planned : undefined,
    taken: state.planned !== undefined,
    learned: await learnedOf(context.get(database), state.vehicleId, params.jobId),
    eventId: newId(),
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const state = orNotFound(await findJob(context.get(database), params.jobId))
  const form = await request.formData()
  const said = (name: string) =>
    String(form.get(name) ?? '')
      .trim()
      .slice(0, 500)
  const changes = new URL(request.url).searchParams
  const whys = { order: said('orderWhy'), way: said('wayWhy') }
  const asked = changedRequest(await planBaseFor(context.get(database), params.jobId, state), changes, whys)
  const orderFault =
    asked.work.order?.why === '' ? 'Say why the order is changed: it stays in the record.' : undefined
  const plan = makePlan(asked)
  const wayFault =
    isByHand(plan) && whys.way === '' ? 'Say why this way is taken: it stays in the record.' : undefined
  if (orderFault || wayFault) return data({ orderFault, wayFault }, { status: 400 })
  const act = {
    id: String(form.get('eventId')),
    type: 'planned' as const,
    shop: asked.shop,
    fromBench: carriedFromBench(changes),
    plan,
  }
  const refusal = await recordDesk(context, params.jobId, act)
  return refusal === undefined ? redirect(`/jobs/${params.jobId}/bleed`) : { refusal }
}

/** The plan as it stands on the page: the one the work began under, or one made here and now from what was changed. */
function usePlanHere({ base, begun }: Route.ComponentProps['loaderData'], search: URLSearchParams) {
  return useMemo(() => {
    const request = begun ? { ...base, shop: begun.shop } : changedRequest(base, search)
    if (begun) return { request, plan: begun.plan, carried: begun.fromBench ?? [] }
    const usual = [...search.keys()].length > 0 ? makePlan(base) : undefined
    return { request, plan: makePlan(request), was: usual, carried: carriedFromBench(search) }
  }, [base, begun, search])
}

export default function PlanPage({ loaderData, actionData, params }: Route.ComponentProps) {
  const { begun, taken, eventId, learned } = loaderData
  const changes = useOwnChanges()
  const here = usePlanHere(loaderData, changes[0])
  const { request, plan, was, carried } = here
  const { vehicle } = request
  const places = plan.stages.flatMap(({ order }) => order).join('\n')
  // biome-ignore lint/correctness/useExhaustiveDependencies: the marks are the order's, whatever else moves
  const marks = useMemo(() => planMarks(plan), [places])
  const fault = (name: 'refusal' | 'orderFault' | 'wayFault') =>
    (actionData as Partial<Record<typeof name, string>> | undefined)?.[name]
  const going = plan.verdict === 'go'
  return (
    <ChangesProvider value={changes}>
      <FigureSource value={here}>
        <div className="grid grid-cols-1 items-start gap-4 lg:grid-cols-[3fr_2fr]">
          <title>Plan · Ruddy Siphon</title>
          <div className="grid gap-4">
            <h1 className="sr-only">Plan</h1>
            {going ? <Figures plan={plan} was={was} /> : <Stops plan={plan} />}
            {!begun && <WhatIf request={request} plan={plan} />}
            {plan.stages.length > 0 && <Stages plan={plan} />}
          </div>
          <aside className="grid gap-4">
            {begun ? (
              <Notice className="font-bold">This plan was taken, and the work has begun under it.</Notice>
            ) : (
              going && (
                <TakePlan
                  plan={plan}
                  eventId={eventId}
                  refusal={fault('refusal')}
                  wayFault={fault('wayFault')}
                />
              )
            )}
            {going && <PaperAndFiles jobId={params.jobId} taken={taken} />}
            <Panel aria-label="Line map">
              <LineMap vehicle={vehicle} marks={marks} className="[&_.lm-sheet]:max-h-[42vh]" />
            </Panel>
          </aside>
          <div className="grid items-start gap-4 lg:col-span-2 lg:grid-cols-2">
            <div className="grid gap-4">
              {plan.order && (
                <Order
                  vehicle={vehicle}
                  order={plan.order}
                  school={request.shop.orderSchool}
                  fixed={begun !== undefined}
                  fault={fault('orderFault')}
                />
              )}
              <Ways plan={plan} fixed={begun !== undefined} />
              {!begun && <UnitChoice request={request} plan={plan} />}
              <CarriedFromBench carried={carried} />
              <LearnedPanel learned={learned} plan={plan} />
            </div>
            <div className="grid gap-4">
              <Panel title="Why">
                <Reasons reasons={plan.reasons} />
              </Panel>
              <Cautions plan={plan} />
              {going && <PlanRig request={request} targetPct={plan.fluid.targetOldPct} />}
              {going && <PlanSpread request={request} />}
            </div>
          </div>
        </div>
      </FigureSource>
    </ChangesProvider>
  )
}

/** The plan on paper for a bay without a screen, and as files for another program. */
function PaperAndFiles({ jobId, taken }: { jobId: string; taken: boolean }) {
  const [search] = useChanges()
  const changed = search.size > 0 ? `?${search}` : ''
  return (
    <p className="flex flex-wrap gap-x-5">
      <LoneLink to={`/jobs/${jobId}/card${changed}`}>Bay card</LoneLink>
      {taken && <LoneLink to={`/jobs/${jobId}/from-paper`}>Enter a bleed done from the card</LoneLink>}
      <LoneFileLink href={`/jobs/${jobId}/plan.json${changed}`} download>
        Plan (JSON)
      </LoneFileLink>
      <LoneFileLink href={`/jobs/${jobId}/plan-request.json${changed}`} download>
        Request (JSON)
      </LoneFileLink>
    </p>
  )
}
