import { data } from 'react-router'
import { showIn } from '~core/units/show'
import { database } from '~server/http/context.server'
import { calendarResponse, dueCalendar } from '~server/services/due-calendar.server'
import { isCalendarSecret } from '~server/store/calendar.server'
import { owed } from '~server/store/follow-ups.server'
import { unitsFor } from '~server/store/units.server'
import type { Route } from './+types/calendar'

/** The due list for a calendar program that subscribes to it: it holds the secret of the address and nothing else. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  if (!(await isCalendarSecret(db, params.file.replace(/\.ics$/, '')))) throw data(null, { status: 404 })
  const { shop } = await unitsFor(db, undefined)
  return calendarResponse(dueCalendar(await owed(db), showIn(shop), new URL(request.url).origin))
}
