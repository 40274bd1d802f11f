import ical, { ICalCalendarMethod } from 'ical-generator'
import type { DueRow } from '~/db/due.server'
import { dayNumber, isoDate } from '~core/base/day'
import type { Show } from '~core/units/show'
import { dueBasis, ruleWords } from './due-words'

/**
 * The due list as an iCalendar file: a whole-day entry for each vehicle on its likely day.
 *
 * @param origin address of this program, for the links
 */
export function dueCalendar(rows: readonly DueRow[], show: Show, origin: string): string {
  const calendar = ical({
    name: 'Brake fluid due',
    prodId: { company: 'Ruddy Siphon', product: 'due list', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: 60 * 60 * 6,
  })
  for (const row of rows) {
    const why = ruleWords(row.rule, row.limit_value, show)
    calendar.createEvent({
      // The same vehicle keeps its entry when its day moves.
      id: `fluid-${row.id}@ruddy-siphon`,
      allDay: true,
      start: row.likely,
      end: isoDate(dayNumber(row.likely) + 1),
      summary: `${row.plate || row.name}: brake fluid due`,
      description: [
        `${row.name}: ${why}, ${dueBasis[row.basis]}.`,
        row.earliest === row.latest ? '' : `Between ${row.earliest} and ${row.latest}.`,
      ]
        .filter(Boolean)
        .join('\n'),
      url: `${origin}/vehicles/${row.id}/fluid`,
    })
  }
  return calendar.toString()
}

/** The file as it is handed out. */
export const calendarResponse = (text: string): Response =>
  new Response(text, {
    headers: {
      'Content-Type': 'text/calendar; charset=utf-8',
      'Content-Disposition': 'attachment; filename="brake-fluid-due.ics"',
      'Cache-Control': 'no-store',
    },
  })
