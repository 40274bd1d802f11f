import { Link } from 'react-router'
import { BackupLine } from '~/components/backup-line'
import { stationName } from '~/components/station-names'
import { counted, showDate, showMoment } from '~/lib/format'
import { today } from '~/lib/today'
import { LinkButton } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { offFact, stillOff } from '~core/job/off-things'
import { stations } from '~core/job/state'
import type { Say } from '~core/words'
import type { Database } from '~server/db/database.server'
import { database } from '~server/http/context.server'
import { sayHere } from '~server/http/say.server'
import { lastBackup } from '~server/services/kept.server'
import { dueNext } from '~server/store/due.server'
import { findJob, type JobRow, openJobs } from '~server/store/jobs.server'
import type { Route } from './+types/yard'

/** So many due vehicles fit beside the jobs. */
const SHOWN = 8

export async function loader({ context }: Route.LoaderArgs) {
  const db = context.get(database)
  const jobs = await openJobs(db)
  return {
    jobs,
    away: await partsAway(db, jobs, sayHere(context)),
    due: await dueNext(db, SHOWN),
    day: today(),
    backup: lastBackup(),
  }
}

/**
 * Of parked jobs what is away for repair, and when it is expected back: said here, so that the first screen of all does
 * not carry every word there is.
 */
async function partsAway(db: Database, jobs: readonly JobRow[], say: Say) {
  const parked = await Promise.all(
    jobs
      .filter(({ parked_at }) => parked_at !== null)
      .map(async ({ id }) => ({ id, state: await findJob(db, id) })),
  )
  return parked.flatMap(({ id, state }) =>
    (state ? stillOff(state) : []).flatMap((off) =>
      off.away ? [{ id, says: say(offFact(off)), backOn: off.away.backOn }] : [],
    ),
  )
}

export default function Yard({ loaderData: { jobs, away, due, day, backup } }: Route.ComponentProps) {
  return (
    <>
      <title>Yard · Ruddy Siphon</title>
      {backup.overdue && (
        <div className="mb-4">
          <BackupLine backup={backup} />
        </div>
      )}
      <div className="mb-5 flex flex-wrap items-end gap-4">
        <h1 className="text-3xl">Yard</h1>
        <p className="text-quiet">
          {jobs.length === 0
            ? 'Nothing is in.'
            : `${counted(jobs.length, 'job')} in, the last touched first.`}
        </p>
        <LinkButton to="/vehicles" main className="ml-auto">
          Start a job
        </LinkButton>
      </div>
      <ol className="grid gap-4 sm:grid-cols-2 xl:grid-cols-3">
        {stations.slice(0, 5).map((station) => {
          const here = jobs.filter((job) => job.station === station)
          return (
            <Panel as="li" key={station}>
              <h2 className="flex items-baseline justify-between">
                {stationName(station)} <span className="text-quiet">{here.length}</span>
              </h2>
              {here.length === 0 && <p className="text-quiet">Nobody waits here.</p>}
              <ul className="grid gap-2">
                {here.map((job) => (
                  <li key={job.id}>
                    <Link
                      to={`/jobs/${job.id}`}
                      className="grid gap-1 border-2 border-rule bg-enamel p-3 text-ink no-underline hover:border-oxide"
                    >
                      <span className="flex items-center gap-3">
                        <span className="plate text-xl">{job.plate || job.vehicle_name}</span>
                        {job.bay && <strong className="text-lg wrap-anywhere">{job.bay}</strong>}
                      </span>
                      <span>{job.vehicle_name}</span>
                      {job.parked_at && (
                        <strong className="hatched border-2 border-oxide px-2">
                          Parked {showMoment(job.parked_at)}
                        </strong>
                      )}
                      {away
                        .filter(({ id }) => id === job.id)
                        .map(({ says, backOn }) => (
                          <strong key={says}>
                            {backOn !== undefined && backOn < day && '● overdue: '}
                            {says}
                          </strong>
                        ))}
                      <span className="text-sm text-quiet">last touched {showMoment(job.updated_at)}</span>
                    </Link>
                  </li>
                ))}
              </ul>
            </Panel>
          )
        })}
        <Panel as="li">
          <h2>Due next</h2>
          {due.length === 0 && <p className="text-quiet">No vehicle has a day yet.</p>}
          <ul className="grid gap-1">
            {due.map((row) => (
              <li key={row.id}>
                <Link to={`/vehicles/${row.id}/fluid`} className="flex min-h-12 items-center gap-3 text-ink">
                  <span className="plate flex-none">{row.plate || '—'}</span>
                  <span className="wrap-anywhere">{row.name}</span>
                  <strong className="ml-auto whitespace-nowrap">
                    {row.likely <= day ? '● now' : showDate(row.likely)}
                  </strong>
                </Link>
              </li>
            ))}
          </ul>
          <p className="mt-2">
            <Link to="/due">The whole list</Link> · <Link to="/vehicles">All vehicles</Link>
          </p>
        </Panel>
      </ol>
    </>
  )
}
