import { Link } from 'react-router'
import { showDate } from '~/lib/format'
import { useSay } from '~/lib/say'
import { isTrouble, type Learned, learnedFact } from '~core/job/learned/learned'

/** What earlier jobs found out, each with its date and the job it comes from. */
export function LearnedList({ learned }: { learned: readonly Learned[] }) {
  const say = useSay()
  return (
    <ul className="grid gap-1.5">
      {learned.map((each) => (
        <li
          key={`${each.kind} ${each.bleeder}`}
          className={`grid grid-cols-[1fr_auto] items-baseline gap-3 border-b border-rule pb-1.5 ${isTrouble(each) ? 'font-bold' : ''}`}
        >
          <span className="wrap-anywhere">{say(learnedFact(each))}</span>
          <Link to={`/jobs/${each.jobId}/record`} className="text-sm whitespace-nowrap">
            {showDate(each.at)}
          </Link>
        </li>
      ))}
    </ul>
  )
}

/** The same as a sheet of its own; nothing where nothing was learned yet. */
export function LearnedPanel({ learned }: { learned: readonly Learned[] }) {
  if (learned.length === 0) return null
  return (
    <section className="panel" aria-labelledby="learned">
      <h2 id="learned">What earlier jobs learned</h2>
      <LearnedList learned={learned} />
    </section>
  )
}
