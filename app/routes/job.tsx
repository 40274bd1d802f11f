import type { ReactNode } from 'react'
import { useMemo } from 'react'
import { Link, Outlet, useMatches } from 'react-router'
import { AsideNotice } from '~/components/aside-notice'
import { OffDialog } from '~/components/bay/off-list'
import { ParkDialog } from '~/components/bay/park-dialog'
import { JobMenu } from '~/components/job-menu'
import { ParkedPanel } from '~/components/parked-panel'
import { RenewedNotice } from '~/components/renewed-notice'
import { StationPipe } from '~/components/station-pipe'
import { WentOnNotice } from '~/components/went-on-notice'
import { outcomeWords } from '~/components/words'
import { database, personHere } from '~/context'
import { hasPhone } from '~/db/cab.server'
import { findJob } from '~/db/jobs.server'
import { standingJob } from '~/db/stands.server'
import { versionSince } from '~/db/vehicles.server'
import { showMoment } from '~/lib/format'
import { orNotFound } from '~/lib/require'
import type { JobHere } from '~/run-client/job-here'
import { LeaveGuard } from '~/run-client/leave-guard'
import { useFollow } from '~/run-client/use-follow'
import { useJobRun } from '~/run-client/use-job-run'
import { LoneLink } from '~/ui/lone-link'
import { Notice } from '~/ui/notice'
import { stationOf } from '~core/job/selectors'
import { fromWire, toWire } from '~core/job/wire'
import type { Route } from './+types/job'

export async function loader({ params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const state = orNotFound(await findJob(db, params.jobId))
  return {
    state: toWire(state),
    linked: state.filed === undefined && (await hasPhone(db, params.jobId)),
    person: context.get(personHere) ?? undefined,
    standsIn: state.filed ? undefined : await standingJob(db, state.vehicleId, params.jobId),
    newVersion: state.filed ? undefined : await versionSince(db, state),
  }
}

/** Stations where hands are on the vehicle: while it is parked they show how it stands and nothing else. */
const AT_THE_VEHICLE = new Set(['routes/bleed', 'routes/prove'])

/** Stations that have no way out of their own: a part may be away before anything is planned. */
const PARKS_HERE = new Set(['routes/check-in', 'routes/test', 'routes/plan', 'routes/job-unit'])

/** Stations whose form begins from what was fetched. */
const FORMS = new Set(['check-in', 'test', 'from-paper', 'file', 'move'].map((name) => `routes/${name}`))

/** Where a parked job may be looked at, moved or filed as it stands. */
const NOT_ABOUT_GOING_ON = new Set(['routes/file', 'routes/trace'])

/** A job, whichever station it is looked at from: its plate, its bay, how far it is, and the live state they share. */
export default function Job({ loaderData, params: { jobId } }: Route.ComponentProps) {
  const fromServer = useMemo(() => fromWire(loaderData.state), [loaderData.state])
  const run = useJobRun(jobId, { state: fromServer, linked: loaderData.linked }, loaderData.person)
  const { state } = run
  const { plate, vehicle, filed, parked, checkIn, comebackOf, movedFrom } = state
  const station = useMatches().at(-1)?.id ?? ''
  // Where hands are on the vehicle the live state is the page; nothing may be fetched away under them.
  const follow = useFollow(
    run.elsewhere,
    loaderData.person?.name,
    fromServer.length,
    AT_THE_VEHICLE.has(station) ? 'live' : FORMS.has(station) ? 'form' : 'anew',
  )
  return (
    <>
      <div className="job-head flex flex-wrap items-center gap-x-4 gap-y-2">
        <span className="plate text-3xl">{plate}</span>
        {checkIn?.bay && (
          <span className="max-w-40 border-b-4 border-ink text-2xl font-extrabold wrap-anywhere">
            {checkIn.bay}
          </span>
        )}
        <LoneLink
          to={`/vehicles/${state.vehicleId}`}
          className="max-w-36 flex-col justify-center leading-tight max-sm:order-last max-sm:max-w-full xl:max-w-52 xl:items-start"
        >
          <span className="line-clamp-2 font-semibold wrap-anywhere">{vehicle.name}</span>
          <span className="hidden text-sm text-quiet no-underline xl:block">
            last touched {showMoment(state.lastAt)}
          </span>
        </LoneLink>
        <div className="min-w-0 flex-1 basis-[27rem] max-sm:order-last">
          <StationPipe
            jobId={jobId}
            station={stationOf(state)}
            filed={filed !== undefined}
            tested={state.tested !== undefined}
          />
        </div>
        <JobMenu jobId={jobId} filed={filed !== undefined} />
      </div>
      {filed && (
        <Notice className="mt-3 font-bold">
          Filed: {outcomeWords[filed.outcome].toLowerCase()}. This record is frozen.{' '}
          <Link to={`/jobs/${jobId}/record`}>Open the record</Link>
        </Notice>
      )}
      {!filed && !state.run && state.standing.open.length > 0 && (
        <StandsAlert>
          {state.standing.open.map(({ point }) => point).join(', ')} was left open.{' '}
          <Link to={`/jobs/${jobId}/bleed`}>Shut it first</Link>
        </StandsAlert>
      )}
      {loaderData.standsIn && (
        <StandsAlert>
          This vehicle stands half done in another job
          {loaderData.standsIn.bay && `, in ${loaderData.standsIn.bay}`}.{' '}
          <Link to={`/jobs/${loaderData.standsIn.id}`}>Go on with that one</Link>
        </StandsAlert>
      )}
      {!filed && comebackOf && (
        <Notice kind="mind" className="mt-3">
          It came back. <Link to={`/jobs/${comebackOf}/record`}>What was done last time</Link>
        </Notice>
      )}
      {!filed && movedFrom.length > 0 && (
        <Notice className="mt-3">
          This job was begun on {movedFrom.map((from) => from.plate).join(', ')} by mistake and moved here.
        </Notice>
      )}
      {loaderData.newVersion !== undefined && !AT_THE_VEHICLE.has(station) && (
        <Notice className="mt-3">
          The vehicle was changed since this job began; it is at version {loaderData.newVersion} now. This job
          keeps the one it began with, a new job takes the new one.
        </Notice>
      )}
      <div className="mt-4 grid gap-5">
        {parked && AT_THE_VEHICLE.has(station) && <title>{`${plate}: parked · Ruddy Siphon`}</title>}
        {parked && !filed && !NOT_ABOUT_GOING_ON.has(station) && (
          <ParkedPanel state={state} parked={parked} jobId={jobId} act={run.act} />
        )}
        <RenewedNotice run={run} />
        <AsideNotice jobId={jobId} count={run.aside} />
        <LeaveGuard link={run.link} keeps={run.keeps} waiting={run.waiting} />
        {follow.behind && <WentOnNotice by={run.elsewhere.by} onLetGo={follow.letGo} />}
        {!(parked && AT_THE_VEHICLE.has(station)) && (
          <div className="contents" onInput={follow.onType}>
            <Outlet
              key={FORMS.has(station) ? follow.begunFrom : undefined}
              context={{ ...run, jobId } satisfies JobHere}
            />
          </div>
        )}
        {PARKS_HERE.has(station) && !filed && !parked && (
          <div className="flex flex-wrap gap-3">
            <OffDialog state={state} act={run.act} />
            <ParkDialog state={state} act={run.act} />
          </div>
        )}
      </div>
    </>
  )
}

/** What stands on the vehicle, before anything else on the page. */
const StandsAlert = ({ children }: { children: ReactNode }) => (
  <Notice role="alert" kind="stop" className="mt-3 font-bold">
    <span className="bg-sheet px-1">{children}</span>
  </Notice>
)
