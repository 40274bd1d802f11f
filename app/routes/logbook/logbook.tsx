import { Link } from 'react-router'
import { counted, showDate } from '~/lib/format'
import { outcomeMarks, outcomeWords } from '~/lib/words'
import { Panel } from '~/ui/panel'
import { database } from '~server/http/context.server'
import { filedJobs } from '~server/store/jobs.server'
import type { Route } from './+types/logbook'

export async function loader({ context }: Route.LoaderArgs) {
  return { jobs: await filedJobs(context.get(database)) }
}

export default function Logbook({ loaderData: { jobs } }: Route.ComponentProps) {
  return (
    <Panel>
      <title>Logbook · Ruddy Siphon</title>
      <h1 className="mb-4 text-2xl">Logbook: {counted(jobs.length, 'filed record')}</h1>
      {jobs.length === 0 && <p>Nothing is filed yet. A job that is proved and filed stands here, frozen.</p>}
      <ul className="grid gap-2">
        {jobs.map((job) => (
          <li key={job.id}>
            <Link
              to={`/jobs/${job.id}/record`}
              className="grid items-center gap-x-5 gap-y-1 border-2 border-rule bg-enamel p-3 text-ink no-underline hover:border-oxide sm:grid-cols-[8rem_10rem_1fr_auto]"
            >
              <span>{job.filed_at && showDate(job.filed_at)}</span>
              <span className="plate justify-self-start">{job.plate || '—'}</span>
              <span className="wrap-anywhere">{job.vehicle_name}</span>
              <strong
                className={
                  job.outcome === 'fit' || job.outcome === 'kept' ? '' : 'hatched border-2 border-oxide px-2'
                }
              >
                {job.outcome && `${outcomeMarks[job.outcome]} ${outcomeWords[job.outcome]}`}
              </strong>
            </Link>
          </li>
        ))}
      </ul>
    </Panel>
  )
}
