import { Link, redirect, useRouteLoaderData } from 'react-router'
import { BayWork } from '~/components/bay/bay-work'
import { GoOn } from '~/components/bay/big-line'
import { type CabCode, CabPhone } from '~/components/bay/cab-phone'
import { ContainerDialog, type Shelf } from '~/components/bay/container-dialog'
import { Counters } from '~/components/bay/counters'
import { Findings } from '~/components/bay/findings'
import { KeysDialog } from '~/components/bay/keys-dialog'
import { LinkLine } from '~/components/bay/link-line'
import { ParkDialog } from '~/components/bay/park-dialog'
import { PourFrom } from '~/components/bay/pour-from'
import { ShutPanel } from '~/components/bay/shut-panel'
import { useSpaceGoesOn } from '~/components/bay/space-goes-on'
import { StandsLine } from '~/components/bay/stands-line'
import { TroubleDialog } from '~/components/bay/trouble-dialog'
import { UndoButton } from '~/components/bay/undo-button'
import { WayDialog } from '~/components/bay/way-dialog'
import { WhatChanged } from '~/components/bay/what-changed'
import { LineMap } from '~/components/line-map/line-map'
import { runMarks } from '~/components/order-marks'
import { stageNames } from '~/components/stage-names'
import { fluidPaints } from '~/components/swatch'
import { database } from '~/context'
import { cabCodeOf } from '~/db/cab.server'
import { findJob } from '~/db/jobs.server'
import { learnedOf } from '~/db/learned.server'
import { containersFor, shelfSettings } from '~/db/shelf.server'
import { HeardButtons } from '~/heard/heard-buttons'
import { cabCodeShown } from '~/lib/cab.server'
import { showDate } from '~/lib/format'
import { orNotFound } from '~/lib/require'
import { useSay } from '~/lib/say'
import { today } from '~/lib/today'
import { useShow } from '~/lib/units'
import type { loader as rootLoader } from '~/root'
import { type JobHere, useJobHere } from '~/run-client/job-here'
import { useCabPhone } from '~/run-client/use-cab-phone'
import type { Phone } from '~core/cab/agree'
import { frontShares } from '~core/job/front'
import { type Learned, learnedSentence } from '~core/job/learned/learned'
import { levelFirst } from '~core/job/levels'
import { callKindOf, currentPoint, currentStage, feedsReservoir } from '~core/job/points'
import { bleedDone } from '~core/job/selectors'
import { jointToShut } from '~core/job/standing'
import type { RunState } from '~core/job/state'
import { callMachines } from '~core/technique/calls'
import type { Route } from './+types/bleed'

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const state = orNotFound(await findJob(db, params.jobId))
  const leftOpen = state.standing.open.length > 0
  if (!state.run && !state.parked && !leftOpen) throw redirect(`/jobs/${params.jobId}/plan`)
  const code = state.filed ? undefined : await cabCodeOf(db, params.jobId)
  return {
    cab: code === undefined ? undefined : await cabCodeShown(request, code),
    learned: await learnedOf(db, state.vehicleId, params.jobId),
    shelf: {
      containers: await containersFor(db, params.jobId),
      rule: (await shelfSettings(db)).rule,
      today: today(),
    },
  }
}

export default function BleedPage({ loaderData: { learned, shelf, cab } }: Route.ComponentProps) {
  const here = useJobHere()
  const { state } = here
  const { run } = state
  const phone = useCabPhone(here.jobId, cab !== undefined, here)
  useSpaceGoesOn()
  return (
    <div data-bay>
      <title>{`${state.plate}: Bleed · Ruddy Siphon`}</title>
      <h1 className="sr-only">Bleed</h1>
      {run?.plateConfirmed ? (
        <Bay here={here} run={run} learned={learned} shelf={shelf} cab={cab} phone={phone} />
      ) : (
        <div className="mx-auto grid max-w-3xl gap-4">
          {run ? <ConfirmPlate here={here} /> : <PlanAgain here={here} />}
          <Foot here={here} />
        </div>
      )}
    </div>
  )
}

/** What is always at hand under the work: the ways out, whether it is saved, and who is at it. */
function Foot({ here: { state, act, link, jobId, keeps, waiting } }: { here: JobHere }) {
  const person = useRouteLoaderData<typeof rootLoader>('root')?.person
  const { run } = state
  const working = run?.plateConfirmed === true && !state.filed
  return (
    <div className="grid gap-3">
      <div className="grid grid-cols-2 gap-3">
        {working && <TroubleDialog state={state} run={run} act={act} />}
        <UndoButton state={state} act={act} />
        {!state.filed && <ParkDialog state={state} act={act} />}
        <KeysDialog />
      </div>
      <HeardButtons />
      <p className="flex flex-wrap justify-between gap-x-4 gap-y-1 text-quiet">
        <LinkLine link={link} jobId={jobId} keeps={keeps} waiting={waiting} />
        <span>
          {person?.name} ·{' '}
          <Link to={`/who?to=${encodeURIComponent(`/jobs/${jobId}/bleed`)}`} reloadDocument>
            somebody else goes on
          </Link>{' '}
          · <Link to="/">yard</Link>
        </span>
      </p>
    </div>
  )
}

function ConfirmPlate({ here: { state, act, refusal, jobId } }: { here: JobHere }) {
  return (
    <section className="panel grid gap-6 text-center">
      {refusal && <Refusal text={refusal} />}
      <p className="text-2xl font-bold">Is this the vehicle in front of you?</p>
      <p>
        <span className="plate text-6xl sm:text-7xl">{state.plate}</span>
      </p>
      <p className="text-xl wrap-anywhere">
        {state.vehicle.name}
        {state.checkIn?.bay && `, ${state.checkIn.bay}`}
      </p>
      <GoOn onClick={() => act({ type: 'plate-confirmed' })}>Yes, the plate is the same</GoOn>
      <div className="grid grid-cols-2 gap-3">
        <Link to={`/jobs/${jobId}/move`} className="button min-h-[72px]">
          No: this job is another vehicle’s
        </Link>
        <Link to="/" className="button min-h-[72px]">
          Back to the yard
        </Link>
      </div>
    </section>
  )
}

/** Wrong fluid that moved on, or another plan: this one is at its end. */
function PlanAgain({ here: { state, act, link, jobId, refusal } }: { here: JobHere }) {
  const report = state.troubles.at(-1)
  const [open] = state.standing.open
  if (open)
    return (
      <section className="panel grid gap-5">
        {refusal && <Refusal text={refusal} />}
        <StandsLine state={state} />
        <ShutPanel key={open.point} state={state} joint={open} act={act} />
      </section>
    )
  return (
    <section className="panel grid gap-5">
      {refusal && <Refusal text={refusal} />}
      <p className="text-3xl font-extrabold">This plan is at its end.</p>
      <StandsLine state={state} />
      {report && <WhatChanged report={report} loud />}
      {link === 'saved' ? (
        <Link to={`/jobs/${jobId}/plan`} className="button button-main min-h-[96px] text-2xl">
          Plan again
        </Link>
      ) : (
        <p className="text-2xl">Not saved yet: wait for the line below.</p>
      )}
    </section>
  )
}

function Refusal({ text }: { text: string }) {
  return (
    <p role="alert" className="fault border-l-8 border-oxide bg-enamel p-3 text-xl">
      {text}
    </p>
  )
}

/** What earlier jobs found at the bleeder that is next: the spanner that fitted, a thread that gave trouble. */
function LearnedHere({ learned, point }: { learned: Learned[]; point?: string }) {
  const here = learned.filter(
    ({ bleeder, kind }) => bleeder !== undefined && bleeder === point && kind !== 'volume',
  )
  if (here.length === 0) return null
  return (
    <p className="border-l-8 border-ink pl-3">
      {here.map((each) => `${learnedSentence(each)} (${showDate(each.at)})`).join(' ')}
    </p>
  )
}

/** What the filled lines on the map mean. */
function FrontKey() {
  return (
    <p className="mt-2 flex items-center gap-2 text-sm text-quiet">
      <svg viewBox="0 0 40 14" className="h-3.5 w-10 flex-none" aria-hidden="true">
        <path d="M0 7H34" strokeWidth="12" className="stroke-ink" />
        <path d="M0 7H34" strokeWidth="9" stroke={fluidPaints.new} />
        <path d="M34 0V14" strokeWidth="3" className="stroke-ink" />
      </svg>
      So far the reservoir’s fluid has come, worked out from what came out; it blurs around this.
    </p>
  )
}

type BayProps = {
  here: JobHere
  run: RunState
  learned: Learned[]
  shelf: Shelf
  cab?: CabCode
  phone: Phone
}

function Bay({ here, run, learned, shelf, cab, phone }: BayProps) {
  const { state, act, refusal, link, jobId } = here
  const show = useShow()
  const say = useSay()
  const stageRun = currentStage(run)
  if (!stageRun) return null
  const { kind } = stageRun.stage
  const cautions = run.setup.cautions.filter(({ at }) => at === kind)
  const lastTrouble = state.troubles.at(-1)
  const justNow = lastTrouble && state.undoable.at(-1)?.eventId === lastTrouble.eventId
  const working = !bleedDone(state)
  // What is looked at or shut first keeps the screen to itself.
  const looksFirst = levelFirst(state) !== undefined || jointToShut({ ...state, run }) !== undefined
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[3fr_2fr]">
      <div className="grid gap-4">
        <section className="panel grid content-start gap-5" aria-label="Now">
          <p className="flex flex-wrap justify-between gap-2 text-quiet">
            <span>
              Stage {run.stageIndex + 1} of {run.stages.length}:{' '}
              <strong className="text-ink">{stageNames[kind]}</strong>
            </span>
            {run.setup.pressureKPa !== undefined && feedsReservoir(stageRun.stage) && (
              <span>{show('pressure', run.setup.pressureKPa)}</span>
            )}
          </p>
          <StandsLine state={state} />
          {refusal && <Refusal text={refusal} />}
          {justNow && <WhatChanged report={lastTrouble} loud />}
          {!looksFirst && <PourFrom state={state} act={act} shelf={shelf} />}
          <LearnedHere learned={learned} point={currentPoint(run)} />
          <BayWork state={state} run={run} jobId={jobId} saved={link === 'saved'} act={act} phone={phone} />
        </section>
        <Foot here={here} />
      </div>
      <aside className="grid gap-4">
        <Findings state={state} act={here.act} />
        {working && <Counters state={state} stageRun={stageRun} act={act} />}
        {working && !state.filed && (
          <div className="grid grid-cols-2 gap-3">
            <button
              type="button"
              className="button min-h-[72px]"
              disabled={run.bottleMl === 0}
              onClick={() => act({ type: 'bottle-emptied' })}
            >
              Bottle emptied ({show('volume', run.bottleMl)})
            </button>
            <ContainerDialog state={state} act={act} shelf={shelf} />
          </div>
        )}
        <section className="panel" aria-label="Line map">
          <LineMap
            vehicle={state.vehicle}
            marks={runMarks(state)}
            front={frontShares(state.vehicle, run.frontMl ?? {})}
            plain
            className="[&_.lm-sheet]:max-h-[38vh] [&>figcaption]:hidden"
          />
          {Object.keys(run.frontMl ?? {}).length > 0 && <FrontKey />}
        </section>
        {working && !state.filed && <WayDialog state={state} act={act} />}
        {working && callMachines[callKindOf(stageRun.stage)].withCab && (
          // How a linked phone stands is looked at all the time, so it is on top; linking one is done once.
          <div className={cab ? '-order-1 grid' : 'grid'}>
            <CabPhone jobId={jobId} cab={cab} link={phone.link} />
          </div>
        )}
        {cautions.length > 0 && (
          <details className="panel">
            <summary className="min-h-8 cursor-pointer font-bold">Cautions here: {cautions.length}</summary>
            <ul className="mt-2 grid list-disc gap-1.5 pl-5">
              {cautions.map((caution) => (
                <li key={caution.code}>{say(caution)}</li>
              ))}
            </ul>
          </details>
        )}
        {state.troubles.length > 0 && (
          <details className="panel">
            <summary className="min-h-8 cursor-pointer font-bold">
              What went wrong so far: {state.troubles.length}
            </summary>
            <ol className="mt-2 grid gap-3">
              {state.troubles.map((report) => (
                <li key={report.eventId}>
                  <WhatChanged report={report} />
                </li>
              ))}
            </ol>
          </details>
        )}
      </aside>
    </div>
  )
}
