import { showIn } from '~core/units/show'
import { database, unitsHere } from '~server/http/context.server'
import { calendarResponse, dueCalendar } from '~server/services/due-calendar.server'
import { owed } from '~server/store/follow-ups.server'
import type { Route } from './+types/due-ics'

/** The due list for whoever is here, to download. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const db = context.get(database)
  return calendarResponse(
    dueCalendar(await owed(db), showIn(context.get(unitsHere)), new URL(request.url).origin),
  )
}
