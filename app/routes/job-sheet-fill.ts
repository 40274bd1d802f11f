import { recordDesk } from '~/lib/record-event.server'
import { faultLine } from '~core/base/fault'
import { readWith } from '~core/base/zod-faults'
import { sheetFilledSchema } from '~core/job/events/sheet-filled'
import type { Route } from './+types/job-sheet-fill'

const sent = sheetFilledSchema.pick({ filled: true, fills: true })

/** What was filled in on a sheet, whole, as often as something changes. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { jobId, sheet, place } = params
  const read = readWith(sent, await request.json().catch(() => undefined))
  if (!read.ok) return Response.json({ refusal: read.faults.map(faultLine).join('; ') }, { status: 400 })
  const refusal = await recordDesk(context, jobId, { type: 'sheet-filled', sheet, place, ...read.value })
  return Response.json({ refusal }, { status: refusal === undefined ? 200 : 409 })
}
