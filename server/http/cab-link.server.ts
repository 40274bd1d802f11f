import { data } from 'react-router'
import { orNotFound } from '~/lib/require'
import type { Fact } from '~core/base/decision'
import { faultLine } from '~core/base/fault'
import { readWith } from '~core/base/zod-faults'
import { cabPerson } from '~core/cab/person'
import { type CabView, cabView } from '~core/cab/view'
import { cabSeenSchema } from '~core/cab/view-schema'
import { readFloorEvent, versionOf } from '~core/job/events'
import type { CabAct } from '~core/words/cab/told'
import type { Database } from '~server/db/database.server'
import { isStorageFault } from '~server/db/storage.server'
import { helperActs, roomKey, roomOfHelper } from '~server/live/practice-rooms.server'
import { appendEvents } from '~server/services/append.server'
import { withTimePutRight } from '~server/services/clock.server'
import { jobOfPhone } from '~server/store/cab.server'
import { findJob } from '~server/store/jobs.server'
import { cabToken } from './cab.server'

/** An act as a phone sends it: what it was shown when it was tapped goes along. */
export type SentAct = { id: string; at: string; act: CabAct; seen?: unknown }

/** What a phone in the cab is linked to: a job, or a practice at another screen. */
export type CabLink = {
  /** By which the hub knows it. */
  key: string
  /** What the phone is to show; undefined once it is over, or another phone has taken over. */
  view: () => Promise<CabView | undefined>
  act: (sent: SentAct) => Promise<Response>
}

export const refused = (status: number, code: string, text?: string, params?: Fact['params']): Response =>
  Response.json({ refusal: { code, params, text } satisfies Fact }, { status })

/** What this phone is linked to. @throws 401 where it is nothing */
export async function linkHere(db: Database, request: Request): Promise<CabLink> {
  const token = cabToken(request)
  const link = toPractice(token) ?? (await toJob(db, token))
  if (link === undefined)
    throw data({ refusal: { code: 'not-linked', text: 'This phone is linked to no job.' } }, { status: 401 })
  return link
}

async function toJob(db: Database, token: string | undefined): Promise<CabLink | undefined> {
  const jobId = await jobOfPhone(db, token)
  if (jobId === undefined) return undefined
  return {
    key: jobId,
    view: async () => {
      const [state, mine] = [await findJob(db, jobId), await jobOfPhone(db, token)]
      return state && mine === jobId ? cabView(state) : undefined
    },
    act: (sent) => recordAct(db, jobId, sent),
  }
}

async function recordAct(db: Database, jobId: string, sent: SentAct): Promise<Response> {
  const before = orNotFound(await findJob(db, jobId))
  const event = readFloorEvent({ ...sent, type: 'call', by: cabPerson, ...versionOf('call') }, before)
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

/** A practice lives in the page that holds it: what the phone says is handed on, and judged there. */
function toPractice(token: string | undefined): CabLink | undefined {
  const room = roomOfHelper(token)
  if (!room) return undefined
  return {
    key: roomKey(room.id),
    view: async () => roomOfHelper(token)?.view,
    act: async ({ act, seen: sent }) => {
      const seen = readWith(cabSeenSchema, sent, 'seen')
      if (!seen.ok) return refused(400, 'not-an-act', seen.faults.map(faultLine).join('; '))
      return helperActs(room, { act, seen: seen.value })
        ? Response.json({ length: room.view.length })
        : refused(409, 'practice-left', 'Nobody is at the practice any more.')
    },
  }
}
