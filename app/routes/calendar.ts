import { data } from 'react-router'
import { database } from '~/context'
import { isCalendarSecret } from '~/db/calendar.server'
import { owed } from '~/db/follow-ups.server'
import { unitsFor } from '~/db/units.server'
import { calendarResponse, dueCalendar } from '~/lib/due-calendar.server'
import { showIn } from '~core/units/show'
import type { Route } from './+types/calendar'

/** The due list for a calendar program that subscribes to it: it holds the secret of the address and nothing else. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  if (!(await isCalendarSecret(db, params.file.replace(/\.ics$/, '')))) throw data(null, { status: 404 })
  const { shop } = await unitsFor(db, undefined)
  return calendarResponse(dueCalendar(await owed(db), showIn(shop), new URL(request.url).origin))
}
