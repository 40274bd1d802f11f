import ical, { ICalCalendarMethod } from 'ical-generator'
import { dueBasis, ruleWords } from '~/lib/due-words'
import { dayNumber, isoDate } from '~core/base/day'
import { fact } from '~core/base/decision'
import { followUpFact } from '~core/job/follow-ups'
import type { Show } from '~core/units/show'
import { sayEnglish } from '~core/words'
import type { DueRow } from '~server/store/due.server'
import type { OpenFollowUp } from '~server/store/follow-ups.server'

/**
 * The due list as an iCalendar file: a whole-day entry for each vehicle on its likely day, and for each look
 * that is owed after a job.
 *
 * @param origin address of this program, for the links
 */
export function dueCalendar(
  { fluid, again }: { fluid: readonly DueRow[]; again: readonly OpenFollowUp[] },
  show: Show,
  origin: string,
): string {
  const calendar = ical({
    name: 'Brake fluid due',
    prodId: { company: 'Ruddy Siphon', product: 'due list', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: 60 * 60 * 6,
  })
  for (const row of fluid) {
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
  const say = sayEnglish(show)
  for (const { job_id, kind, due_on, plate, name } of again)
    calendar.createEvent({
      id: `again-${job_id}-${kind}@ruddy-siphon`,
      allDay: true,
      start: due_on,
      end: isoDate(dayNumber(due_on) + 1),
      summary: `${plate || name}: ${say(followUpFact(kind)).toLowerCase()}`,
      description: say(fact(`follow-up-${kind}-how`)),
      url: `${origin}/jobs/${job_id}/record#follow-ups`,
    })
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
