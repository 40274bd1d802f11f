import { data } from 'react-router'
import { recordDesk } from '~/lib/record-event.server'
import { readWith } from '~core/base/zod-faults'
import { lineDeclinedSchema } from '~core/job/events/line-declined'
import type { Route } from './+types/job-declined'

const sent = lineDeclinedSchema.pick({ line: true, says: true, note: true, wanted: true })

/** A line of an estimate declined, or wanted after all. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const read = readWith(sent, await request.json().catch(() => undefined))
  if (!read.ok) return data({ refusal: read.faults[0]?.message }, { status: 400 })
  const refusal = await recordDesk(context, params.jobId, { type: 'line-declined', ...read.value })
  return data({ refusal }, { status: refusal === undefined ? 200 : 409 })
}
