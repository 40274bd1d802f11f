import { z } from 'zod'
import { database } from '~/context'
import { appendEvents } from '~/db/append.server'
import { findJob } from '~/db/jobs.server'
import { isStorageFault } from '~/db/storage.server'
import { jobHere } from '~/lib/cab.server'
import { withTimePutRight } from '~/lib/clock.server'
import { orNotFound } from '~/lib/require'
import type { Fact } from '~core/base/decision'
import { faultLine } from '~core/base/fault'
import { cabPerson } from '~core/cab/person'
import { isCabAct } from '~core/cab/view'
import { readFloorEvent, versionOf } from '~core/job/events'
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
  const before = orNotFound(await findJob(db, jobId))
  const event = readFloorEvent(
    { id, at, type: 'call', act, seen, by: cabPerson, ...versionOf('call') },
    before,
  )
  if (!event.ok)
    return refused(400, 'not-an-act', event.faults[0] ? faultLine(event.faults[0]) : 'Not an act.')
  try {
    const appended = await appendEvents(db, jobId, [
      withTimePutRight(event.value, before.openedAt, Date.now()),
    ])
    return appended.ok
      ? Response.json({ length: appended.state.length })
      : refused(409, appended.refusal.code, undefined, appended.refusal.params)
  } catch (error) {
    if (!isStorageFault(error)) throw error
    return refused(507, error.code, error.message)
  }
}
