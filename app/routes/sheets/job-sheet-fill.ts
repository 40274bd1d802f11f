import { sheetFilledSchema } from '~core/job/events/sheet-filled'
import { recordSent } from '~server/http/record-event.server'
import type { Route } from './+types/job-sheet-fill'

const sent = sheetFilledSchema.pick({ id: true, filled: true, fills: true })

/** What was filled in on a sheet, whole, as often as something changes. */
export async function action(args: Route.ActionArgs) {
  const { sheet, place } = args.params
  const { body, status } = await recordSent(args, sent, (read) => ({
    type: 'sheet-filled',
    sheet,
    place,
    ...read,
  }))
  return Response.json(body, { status })
}
