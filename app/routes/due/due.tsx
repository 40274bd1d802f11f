import { data, Form, Link } from 'react-router'
import { dueBasis, ruleWords } from '~/lib/due-words'
import { counted, showDate } from '~/lib/format'
import { useSay } from '~/lib/say'
import { today } from '~/lib/today'
import { useShow } from '~/lib/units'
import { Button, FileButton, LinkButton } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { dayNumber, isoDate, monthsAfter } from '~core/base/day'
import { followUpFact } from '~core/job/follow-ups'
import { database } from '~server/http/context.server'
import { calendarSecret, renewCalendarSecret } from '~server/store/calendar.server'
import { type DueRow, dueBetween, dueCounts, withoutDue } from '~server/store/due.server'
import { type OpenFollowUp, openFollowUps } from '~server/store/follow-ups.server'
import type { Route } from './+types/due'
import { DueStrip, stripMonths } from './strip'

/** So many are shown of a group at first: a page of thousands is read by nobody. */
const SHOWN = 40
/** What "show all" shows at most. */
const MOST = 1000

export async function loader({ request, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const { origin, searchParams } = new URL(request.url)
  const day = today()
  const all = searchParams.get('all')
  const spans = groupsOn(day)
  const counts = await dueCounts(
    db,
    spans.map(({ from }) => from),
  )
  const groups = []
  for (const [i, { id, name, from }] of spans.entries()) {
    const count = counts[i] ?? 0
    const before = spans[i + 1]?.from ?? '9999-12-31'
    if (count > 0)
      groups.push({ id, name, count, rows: await dueBetween(db, from, before, all === id ? MOST : SHOWN) })
  }
  return {
    day,
    count: counts.reduce((sum, each) => sum + each, 0),
    groups,
    unknown: await withoutDue(db, SHOWN),
    followUps: await openFollowUps(db, SHOWN),
    calendar: `${origin}/calendar/${await calendarSecret(db)}.ics`,
  }
}

export async function action({ context }: Route.ActionArgs) {
  await renewCalendarSecret(context.get(database))
  return data({ renewed: true })
}

/** From overdue to far away, each with the day it begins. */
const groupsOn = (day: string) => [
  { id: 'overdue', name: 'Due now', from: '0001-01-01' },
  { id: 'month', name: 'Within a month', from: isoDate(dayNumber(day) + 1) },
  { id: 'quarter', name: 'Within three months', from: monthsAfter(day, 1) },
  { id: 'year', name: 'Within a year', from: monthsAfter(day, 3) },
  { id: 'later', name: 'Later', from: monthsAfter(day, 12) },
]

export default function Due({ loaderData, actionData }: Route.ComponentProps) {
  const { day, count, followUps, groups, unknown, calendar } = loaderData
  return (
    <>
      <title>Due · Ruddy Siphon</title>
      <div className="mb-5 flex flex-wrap items-end gap-x-5 gap-y-3">
        <h1 className="text-3xl">Due</h1>
        <p className="text-quiet">
          {count === 0 ? 'No vehicle has a day yet.' : `${counted(count, 'vehicle')}, the first due first.`}
        </p>
        <LinkButton to="/policy" className="ml-auto print:hidden">
          The shop’s policy
        </LinkButton>
        <FileButton href="/due.ics" className="print:hidden" download>
          Calendar file (.ics)
        </FileButton>
      </div>
      {groups.length > 0 && (
        <p className="mb-3 text-sm text-quiet">
          The bar is the range of days, the mark on it the likely one, from today over {stripMonths} months.
        </p>
      )}
      <div className="grid gap-5">
        {followUps.length > 0 && (
          <Panel aria-labelledby="again">
            <h2 id="again" className="flex items-baseline justify-between">
              To look at again <span className="text-quiet">{followUps[0]?.count}</span>
            </h2>
            <ul>
              {followUps.map((each) => (
                <Again key={`${each.job_id} ${each.kind}`} followUp={each} day={day} />
              ))}
            </ul>
          </Panel>
        )}
        {groups.map((group) => (
          <Panel key={group.id} aria-labelledby={group.id}>
            <h2 id={group.id} className="flex items-baseline justify-between">
              {group.name} <span className="text-quiet">{group.count}</span>
            </h2>
            <ul>
              {group.rows.map((row) => (
                <Row key={row.id} row={row} day={day} />
              ))}
            </ul>
            {group.rows.length < group.count && (
              <LinkButton to={`?all=${group.id}`} className="mt-3">
                Show all {group.count}
              </LinkButton>
            )}
          </Panel>
        ))}
        {unknown.count > 0 && (
          <Panel aria-labelledby="unknown">
            <h2 id="unknown" className="flex items-baseline justify-between">
              Nothing known yet <span className="text-quiet">{unknown.count}</span>
            </h2>
            <p className="mb-2">
              No reading, no exchange and no distance is on record for these: write down what is known, or
              test them when they are next in.
            </p>
            <ul className="flex flex-wrap gap-3">
              {unknown.first.map(({ id, plate, name }) => (
                <li key={id}>
                  <Link to={`/vehicles/${id}/fluid`} className="flex min-h-12 items-center gap-2">
                    <span className="plate">{plate || '—'}</span> {name}
                  </Link>
                </li>
              ))}
            </ul>
          </Panel>
        )}
        <Panel title="In a calendar that keeps itself up to date" className="print:hidden">
          <p>
            Give this address to a calendar program as a subscription. Whoever has it can read the list,
            nothing else.
          </p>
          <p className="my-2 border-2 border-rule bg-enamel p-2 font-mono text-sm wrap-anywhere">
            {calendar}
          </p>
          <Form method="post">
            <Button type="submit">Another address; the old one stops</Button>
            {actionData?.renewed && (
              <span role="status" className="ml-3">
                The old address gives nothing any more.
              </span>
            )}
          </Form>
        </Panel>
      </div>
    </>
  )
}

function Again({
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

function Row({ row, day }: { row: DueRow; day: string }) {
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
