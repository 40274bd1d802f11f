import { useMemo } from 'react'
import { useSearchParams } from 'react-router'
import { LineMap } from '~/components/line-map/line-map'
import { planMarks } from '~/components/order-marks'
import { showDate, showMinutes } from '~/lib/format'
import { changedRequest } from '~/lib/plan-request'
import { orNotFound } from '~/lib/require'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Button, LinkButton } from '~/ui/button'
import { ScrollsSideways } from '~/ui/scrolls-sideways'
import { checksFor, proofFact } from '~core/job/proofs/checks'
import { planNow } from '~core/job/selectors'
import { routineSteps } from '~core/job/troubles/routine-stopped'
import { bleedSettings, opened, type Plan, planMinutes } from '~core/plan/answer'
import { makePlan } from '~core/plan/plan'
import { database } from '~server/http/context.server'
import { learnedOf } from '~server/services/learned.server'
import { planBaseFor } from '~server/services/plan-request.server'
import { findJob } from '~server/store/jobs.server'
import type { Route } from './+types/card'
import { CardBleeders } from './bleeders'
import { CardSteps } from './steps'

export async function loader({ params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const state = orNotFound(await findJob(db, params.jobId))
  return {
    base: await planBaseFor(db, params.jobId, state),
    taken: planNow(state),
    learned: await learnedOf(db, state.vehicleId, params.jobId),
    plate: state.plate,
    bay: state.checkIn?.bay,
    today: new Date().toISOString(),
  }
}

/** How small it has to be printed to stand on one sheet; with little on it there is room to write with a thick pencil. */
function density({ stages }: Plan): string {
  const routine = new Set(stages.flatMap((stage) => routineSteps(stage).map(({ id }) => id)))
  const lines = stages.reduce((sum, { order }) => sum + order.length + 2, routine.size)
  if (lines <= 16) return 'print:text-[9.5pt] print:leading-[1.18] [--row:3mm]'
  if (lines <= 24) return 'print:text-[8pt] print:leading-[1.18] [--row:1mm]'
  return lines <= 36
    ? 'print:text-[7.3pt] print:leading-[1.18] [--row:0.2mm]'
    : 'print:text-[6.8pt] print:leading-[1.08] print:[--gap:0.15rem] print:[--place:1em] print:[--keep:auto] [--row:0mm]'
}

/** The plan on one sheet of A4 or Letter, for a bay without a screen: what to do in order, with room to write what was seen. */
export default function BayCard({ loaderData, params }: Route.ComponentProps) {
  const { base, taken, learned, plate, bay, today } = loaderData
  const [search] = useSearchParams()
  const request = useMemo(() => changedRequest(base, search), [base, search])
  const plan = useMemo(
    () => (taken && search.size === 0 ? taken : makePlan(request)),
    [taken, request, search],
  )
  const { vehicle } = request
  const show = useShow()
  const say = useSay()
  const checks = checksFor({ vehicle, checkIn: request, planned: { shop: request.shop, plan } })
  return (
    <main
      className={`mx-auto max-w-[52rem] p-5 text-[15px] leading-snug print:max-w-none print:p-0 ${density(plan)}`}
    >
      <title>{`Bay card ${plate} · Ruddy Siphon`}</title>
      <p className="mb-4 flex flex-wrap gap-3 print:hidden">
        <LinkButton to={`/jobs/${params.jobId}/plan?${search}`}>Back</LinkButton>
        <Button main onClick={() => window.print()}>
          Print
        </Button>
      </p>
      <header className="flex flex-wrap items-end gap-x-4 gap-y-1 border-b-4 border-ink pb-1">
        <span className="plate text-3xl print:text-[20pt]">{plate}</span>
        <div className="min-w-0 flex-1">
          <h1 className="text-xl print:text-[1.5em]">Bay card</h1>
          <p className="wrap-anywhere">
            {vehicle.name}
            {bay && `, ${bay}`}, {showDate(today)}
            {!taken && ', plan not taken yet'}
          </p>
        </div>
        <p className="max-w-[42%] text-right text-sm print:text-[0.9em]">
          Compare the plate before anything is opened.
          <br />
          The maker’s procedure, local rules and a qualified person come before this card.
        </p>
      </header>
      {plan.verdict === 'stop' ? (
        <ul className="mt-4 grid gap-2 text-xl font-bold">
          {plan.stops.map((stop) => (
            <li key={stop.code}>Stop: {say(stop)}</li>
          ))}
        </ul>
      ) : (
        <>
          <Numbers plan={plan} />
          <div className="mt-2 grid gap-x-4 gap-y-2 sm:grid-cols-[1fr_auto] print:grid-cols-[1fr_auto]">
            <ScrollsSideways label="Places in order">
              <CardBleeders plan={plan} request={request} learned={learned} />
            </ScrollsSideways>
            <LineMap
              vehicle={vehicle}
              marks={planMarks(plan)}
              plain
              className="max-w-56 justify-self-center print:max-w-[38mm] [&_.lm-key]:text-[0.7em]!"
            />
          </div>
          <CardSteps plan={plan} />
          <section className="mt-1">
            <h2 className="border-b border-ink font-bold">Mind</h2>
            <ul className="columns-1 gap-x-4 sm:columns-2 print:columns-3 print:text-[0.88em]">
              {plan.cautions
                .filter(({ code }) => code !== 'maker-first')
                .map((caution) => (
                  <li key={caution.code} className="pl-3 -indent-3">
                    ▪ {say(caution)}
                  </li>
                ))}
            </ul>
          </section>
          <section className="mt-1">
            <h2 className="border-b border-ink font-bold">Then prove it, at the screen</h2>
            <ul className="columns-2 gap-x-4 sm:columns-4 print:columns-4 print:text-[0.94em]">
              {checks.map(({ id, measure }) => (
                <li key={id} className="pl-4 -indent-4">
                  ☐ {say(proofFact(id))}
                  {measure && `: ____ ${measure.unit}`}
                </li>
              ))}
            </ul>
          </section>
          <p className="mt-2 border-t-2 border-ink pt-2">
            Poured in ______ Drawn out ______ Spilled ______ ({show.unit('volume')}). Done by
            ____________________ on ____________ Signed ____________________
          </p>
        </>
      )}
    </main>
  )
}

/** Fluid, containers, setting, time and top-up as four boxes. */
function Numbers({ plan }: { plan: Plan }) {
  const show = useShow()
  const say = useSay()
  const bleed = plan.stages.find(({ kind }) => kind === 'bleed')
  const open = opened(plan)
    .map(({ ml, count }) => `${count} × ${show('volume', ml)}`)
    .join(' + ')
  const set = bleedSettings(plan)
  const setting = [
    set.pressureKPa !== undefined && show('pressure', set.pressureKPa),
    plan.vacuumKPa !== undefined && `${show('pressure', plan.vacuumKPa)} vacuum`,
  ].filter(Boolean)
  return (
    <dl className="mt-2 grid grid-cols-2 border-2 border-ink sm:grid-cols-[1.3fr_1.8fr_0.7fr_1.2fr] print:grid-cols-[1.3fr_1.8fr_0.7fr_1.2fr] [&>div]:border-r [&>div]:border-ink [&>div]:px-1.5 [&>div]:py-0.5 [&>div:last-child]:border-r-0">
      <Box
        name="new fluid"
        value={`${plan.fluid.spec}, ${show('volume', plan.fluid.totalMl)}`}
        note={`open ${open}`}
      />
      <Box
        name="how"
        value={bleed?.technique ? say({ code: `technique-${bleed.technique}` }) : 'no bleeding'}
        note={setting.join(' + ') || 'nothing to set'}
      />
      <Box name="about" value={`${showMinutes(planMinutes(plan))} min`} note="fluid and hands" />
      <Box
        name="top up every"
        value={show('volume', plan.topUpEvery.ml)}
        note={`${plan.topUpEvery.strokes} full strokes; never below MIN`}
      />
    </dl>
  )
}

function Box({ name, value, note }: { name: string; value: string; note: string }) {
  return (
    <div className="flex flex-col">
      <dt>{name}</dt>
      <dd className="text-lg leading-tight font-extrabold print:text-[1.35em]">{value}</dd>
      <dd>{note}</dd>
    </div>
  )
}
