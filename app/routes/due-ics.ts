import { database, personHere } from '~/context'
import { owed } from '~/db/follow-ups.server'
import { unitsFor } from '~/db/units.server'
import { calendarResponse, dueCalendar } from '~/lib/due-calendar.server'
import { showIn } from '~core/units/show'
import type { Route } from './+types/due-ics'

/** The due list for whoever is here, to download. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const { shown } = await unitsFor(db, context.get(personHere)?.id)
  return calendarResponse(dueCalendar(await owed(db), showIn(shown), new URL(request.url).origin))
}
