import { z } from 'zod'
import { database } from '~/context'
import { appendEvents } from '~/db/jobs.server'
import { isStorageFault } from '~/db/storage.server'
import { jobHere } from '~/lib/cab.server'
import type { Fact } from '~core/base/decision'
import { cabPerson } from '~core/cab/person'
import { isCabAct } from '~core/cab/view'
import { floorEventSchema } from '~core/job/events'
import type { Route } from './+types/cab-act'

const sentSchema = z.object({ id: z.string(), at: z.string(), act: z.string(), seen: z.unknown() })

const refused = (status: number, code: string, text?: string, params?: Fact['params']) =>
  Response.json({ refusal: { code, params, text } satisfies Fact }, { status })

/** One act of the cab. Whatever else a phone sends is the wheel's to do, and is refused. */
export async function action({ request, context }: Route.ActionArgs) {
  const db = context.get(database)
  const jobId = await jobHere(db, request)
  const text = await request.text()
  let input: unknown
  try {
    input = JSON.parse(text)
  } catch {
    return refused(400, 'not-json', 'Send JSON.')
  }
  const sent = sentSchema.safeParse(input)
  if (!sent.success) return refused(400, 'not-an-act', 'Not an act.')
  const { id, at, act, seen } = sent.data
  if (!isCabAct(act)) return refused(403, 'not-the-cabs', 'That is the wheel’s to do, not the cab’s.')
  const event = floorEventSchema.safeParse({ id, at, type: 'call', act, seen, by: cabPerson })
  if (!event.success) return refused(400, 'not-an-act', event.error.issues[0]?.message ?? 'Not an act.')
  try {
    const appended = await appendEvents(db, jobId, [event.data])
    return appended.ok
      ? Response.json({ length: appended.state.length })
      : refused(409, appended.refusal.code, undefined, appended.refusal.params)
  } catch (error) {
    if (!isStorageFault(error)) throw error
    return refused(507, error.code, error.message)
  }
}
