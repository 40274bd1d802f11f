import { data, Form, Link } from 'react-router'
import { counted } from '~/lib/format'
import { today } from '~/lib/today'
import { Button, FileButton, LinkButton } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { dayNumber, isoDate, monthsAfter } from '~core/base/day'
import { database } from '~server/http/context.server'
import { calendarSecret, renewCalendarSecret } from '~server/store/calendar.server'
import { dueBetween, dueCounts, withoutDue } from '~server/store/due.server'
import { openFollowUps } from '~server/store/follow-ups.server'
import type { Route } from './+types/due'
import { FluidRow, FollowUpRow } from './due-row'
import { stripMonths } from './strip'

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
                <FollowUpRow key={`${each.job_id} ${each.kind}`} followUp={each} day={day} />
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
                <FluidRow key={row.id} row={row} day={day} />
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
