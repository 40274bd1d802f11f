import type { ReactNode } from 'react'
import { useMemo } from 'react'
import { Link, Outlet } from 'react-router'
import type { JobHere } from '~/client/job/job-here'
import { useFollow } from '~/client/job/use-follow'
import { type JobRun, useJobRun } from '~/client/job/use-job-run'
import { AsideNotice } from '~/components/aside-notice'
import { LinkLine } from '~/components/bay/link-line'
import { OffDialog } from '~/components/bay/off-list'
import { ParkDialog } from '~/components/bay/park-dialog'
import { LeaveGuard } from '~/components/leave-guard'
import { RenewedNotice } from '~/components/renewed-notice'
import { showMoment } from '~/lib/format'
import { outcomeWords } from '~/lib/words'
import { LoneLink } from '~/ui/lone-link'
import { Notice } from '~/ui/notice'
import { stationOf } from '~core/job/selectors'
import { fromWire, toWire } from '~core/job/wire'
import { database, personHere } from '~server/http/context.server'
import { jobOnPage } from '~server/http/job-on-page.server'
import { hasPhone } from '~server/store/cab.server'
import { standingJob } from '~server/store/stands.server'
import { versionSince } from '~server/store/vehicles.server'
import type { Route } from './+types/job'
import { JobMenu } from './job-menu'
import { ParkedPanel } from './parked-panel'
import { useStation } from './station'
import { StationPipe } from './station-pipe'
import { WentOnNotice } from './went-on-notice'

export async function loader({ params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const state = await jobOnPage(context, params.jobId)
  return {
    state: toWire(state),
    linked: state.filed === undefined && (await hasPhone(db, params.jobId)),
    person: context.get(personHere) ?? undefined,
    standsIn: state.filed ? undefined : await standingJob(db, state.vehicleId, params.jobId),
    newVersion: state.filed ? undefined : await versionSince(db, state),
  }
}

/** A job, whichever station it is looked at from: its plate, its bay, how far it is, and the live state they share. */
export default function Job({ loaderData, params: { jobId } }: Route.ComponentProps) {
  const fromServer = useMemo(() => fromWire(loaderData.state), [loaderData.state])
  const run = useJobRun(jobId, { state: fromServer, linked: loaderData.linked }, loaderData.person)
  const { state } = run
  const { plate, vehicle, filed, parked, checkIn, comebackOf, movedFrom } = state
  const station = useStation()
  // Where hands are on the vehicle the live state is the page; nothing may be fetched away under them.
  const follow = useFollow(
    run.elsewhere,
    loaderData.person?.name,
    fromServer.length,
    station.atVehicle ? 'live' : station.form ? 'form' : 'anew',
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
      {loaderData.newVersion !== undefined && !station.atVehicle && (
        <Notice className="mt-3">
          The vehicle was changed since this job began; it is at version {loaderData.newVersion} now. This job
          keeps the one it began with, a new job takes the new one.
        </Notice>
      )}
      <div className="mt-4 grid gap-5">
        {parked && station.atVehicle && <title>{`${plate}: parked · Ruddy Siphon`}</title>}
        {parked && !filed && !station.whileParked && (
          <ParkedPanel
            state={state}
            parked={parked}
            jobId={jobId}
            act={run.act}
            saved={station.atVehicle && <Saved run={run} jobId={jobId} />}
          />
        )}
        <RenewedNotice run={run} />
        <AsideNotice jobId={jobId} count={run.aside} />
        <LeaveGuard link={run.link} keeps={run.keeps} waiting={run.waiting} />
        {follow.behind && <WentOnNotice by={run.elsewhere.by} onLetGo={follow.letGo} />}
        {!(parked && station.atVehicle) && (
          <div className="contents" onInput={follow.onType}>
            <Outlet
              key={station.form ? follow.begunFrom : undefined}
              context={{ ...run, jobId } satisfies JobHere}
            />
          </div>
        )}
        {station.parksHere && !filed && !parked && (
          <div className="flex flex-wrap gap-3">
            <OffDialog state={state} act={run.act} />
            <ParkDialog state={state} act={run.act} />
          </div>
        )}
      </div>
    </>
  )
}

/** Whoever parked walks off: whether the next shift will see it, or why not. */
const Saved = ({
  run: { link, keeps, keeping, waiting, refusal },
  jobId,
}: {
  run: JobRun
  jobId: string
}) => (
  <div className="mt-3 grid gap-2 text-quiet">
    {refusal && (
      <p role="alert" className="fault">
        {refusal}
      </p>
    )}
    <LinkLine link={link} jobId={jobId} keeps={keeps} keeping={keeping} waiting={waiting} />
  </div>
)

/** What stands on the vehicle, before anything else on the page. */
const StandsAlert = ({ children }: { children: ReactNode }) => (
  <Notice role="alert" kind="stop" className="mt-3 font-bold">
    <span className="bg-sheet px-1">{children}</span>
  </Notice>
)
