import { data } from 'react-router'
import { lineDeclinedSchema } from '~core/job/events/line-declined'
import { recordSent } from '~server/http/record-event.server'
import type { Route } from './+types/job-declined'

const sent = lineDeclinedSchema.pick({ line: true, says: true, note: true, wanted: true })

/** A line of an estimate declined, or wanted after all. */
export async function action(args: Route.ActionArgs) {
  const { body, status } = await recordSent(args, sent, (read) => ({
    type: 'line-declined' as const,
    ...read,
  }))
  return data(body, { status })
}
