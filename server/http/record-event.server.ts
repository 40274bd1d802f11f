import type { SubmissionResult } from '@conform-to/react'
import { data, type RouterContextProvider } from 'react-router'
import type { ZodType } from 'zod'
import { newId } from '~/lib/ids'
import { faultLine } from '~core/base/fault'
import { readWith } from '~core/base/zod-faults'
import { type JobEvent, jobEventSchema, type Unstamped } from '~core/job/events'
import { isStorageFault } from '~server/db/storage.server'
import { appendEvents } from '~server/services/append.server'
import { database, personHere } from './context.server'
import { sayHere } from './say.server'

type Context = Readonly<RouterContextProvider>
/** What a form asks for; `id` where the form brought its own, so that sending it twice records it once. */
export type DeskAct = Unstamped<JobEvent> & { id?: string }

/**
 * Record one act of the desk, by whoever is at this screen, now.
 *
 * @returns why it was not recorded; undefined where it was
 */
export async function recordDesk(context: Context, jobId: string, act: DeskAct): Promise<string | undefined> {
  const event = {
    id: newId(),
    ...act,
    at: new Date().toISOString(),
    by: context.get(personHere) ?? undefined,
  } as JobEvent
  // What could not be read again must never be written: the whole job would be lost with it.
  const read = jobEventSchema.safeParse(event)
  const [issue] = read.error?.issues ?? []
  if (issue) return `This cannot be recorded. ${issue.path.join('.')}: ${issue.message}.`
  try {
    const appended = await appendEvents(context.get(database), jobId, [event])
    if (appended.ok) return undefined
    if (appended.code === 'not-found') throw data(null, { status: 404 })
    return sayHere(context)(appended.refusal)
  } catch (error) {
    if (isStorageFault(error)) return error.message
    throw error
  }
}

/** The same from JSON that a page sent. @returns what to answer with: why it was not recorded, if it was not */
export async function recordSent<T>(
  { request, params, context }: { request: Request; params: { jobId: string }; context: Context },
  schema: ZodType<T>,
  actOf: (sent: T) => DeskAct,
): Promise<{ body: { refusal?: string }; status: number }> {
  const read = readWith(schema, await request.json().catch(() => undefined))
  if (!read.ok) return { body: { refusal: read.faults.map(faultLine).join('; ') }, status: 400 }
  const refusal = await recordDesk(context, params.jobId, actOf(read.value))
  return { body: { refusal }, status: refusal === undefined ? 200 : 409 }
}

/** The same from a form, whose reply keeps what was typed where it was not recorded. */
export async function recordOrReply(
  context: Context,
  jobId: string,
  act: DeskAct,
  reply: (errors: string[]) => SubmissionResult,
) {
  const refused = await recordDesk(context, jobId, act)
  return refused === undefined ? undefined : data(reply([refused]), { status: 409 })
}
