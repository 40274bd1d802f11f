import { Link } from 'react-router'
import { dueBasis, ruleWords } from '~/lib/due-words'
import { showDate } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { followUpFact } from '~core/job/follow-ups'
import type { DueRow } from '~server/store/due.server'
import type { OpenFollowUp } from '~server/store/follow-ups.server'
import { DueStrip } from './strip'

/** A look that is owed after a job, the first due first; what is over its day is marked. */
export function FollowUpRow({
  followUp: { job_id, kind, due_on, plate, name },
  day,
}: {
  followUp: OpenFollowUp
  day: string
}) {
  const say = useSay()
  const over = due_on <= day
  return (
    <li className="grid items-center gap-x-4 gap-y-1 border-b border-rule py-2 md:grid-cols-[9rem_1.3fr_2fr_8rem]">
      <Link
        to={`/jobs/${job_id}/record#follow-ups`}
        className="plate justify-self-start text-lg text-ink no-underline"
      >
        {plate || '—'}
      </Link>
      <span className="wrap-anywhere">{name}</span>
      <strong>{say(followUpFact(kind))}</strong>
      <strong className={over ? 'text-oxide-deep' : ''}>
        {over && '● '}
        {showDate(due_on)}
      </strong>
    </li>
  )
}

/** A vehicle whose fluid is due: by which rule, when, and between which days that lies. */
export function FluidRow({ row, day }: { row: DueRow; day: string }) {
  const show = useShow()
  const over = row.likely <= day
  return (
    <li className="grid items-center gap-x-4 gap-y-1 border-b border-rule py-2 md:grid-cols-[9rem_1.3fr_1.2fr_8rem_2fr]">
      <Link
        to={`/vehicles/${row.id}/fluid`}
        className="plate justify-self-start text-lg text-ink no-underline"
      >
        {row.plate || '—'}
      </Link>
      <span className="wrap-anywhere">{row.name}</span>
      <span className="text-sm">
        <strong>{ruleWords(row.rule, row.limit_value, show)}</strong>, {dueBasis[row.basis]}
        {row.job_id && (
          <>
            {' '}
            · <Link to={`/jobs/${row.job_id}`}>in the yard now</Link>
          </>
        )}
      </span>
      <strong className={over ? 'text-oxide-deep' : ''}>
        {over && '● '}
        {showDate(row.likely)}
      </strong>
      <DueStrip day={day} {...row} />
    </li>
  )
}
