import { type Fault, faultLine } from '~core/base/fault'
import { textFaults } from '~core/base/plain-text'
import { faultsOf } from '~core/base/zod-faults'
import { type JobEvent, jobEventSchema } from '~core/job/events'
import { hashOf } from '~core/ledger/canonical'
import { eventLink, NOTHING_BEFORE } from '~core/ledger/event-chain'
import { entryLink, type LogbookEntry, type SignedEntry } from '~core/ledger/logbook'
import type { Database, Queries } from '~server/db/database.server'
import type { ShopKey } from '~server/db/shop-key.server'

/** An event that could not be read again: written, the whole job would be lost with it. */
export class UnfitEvent extends Error {
  constructor(
    type: string,
    readonly fault: Fault,
  ) {
    super(`${type} cannot be recorded. ${faultLine(fault)}`)
  }
}

function faultsOfEvent(event: JobEvent): Fault[] {
  const read = jobEventSchema.safeParse(event)
  return read.success ? [] : faultsOf(read.error)
}

/** An event as it stands in a job's log. */
export type LoggedEvent = { seq: number; event: JobEvent; atServer: string; link: string }

/**
 * The next event of a job's log, chained to the link before it.
 *
 * @throws UnfitEvent where it could not be read again
 */
export function logged(
  jobId: string,
  { seq, previous }: { seq: number; previous: string },
  event: JobEvent,
): LoggedEvent {
  const unfit = [...textFaults(event), ...faultsOfEvent(event)]
  if (unfit[0]) throw new UnfitEvent(event.type, unfit[0])
  // The very clock by which a hold is measured, which asks `Date.now`.
  const atServer = new Date(Date.now()).toISOString()
  return { seq, event, atServer, link: eventLink(previous, { job: jobId, seq, atServer, event }) }
}

/**
 * The statement that writes events, whose job is $1, into their log: $2, from `asRows`. Whatever else an act writes
 * may stand behind it, since a question of its own takes as long as the sync of the disk.
 */
export const WRITE_EVENTS = `insert into job_event (job_id, seq, id, type, at_client, at_server, body, link)
  select $1, seq, body->>'id', body->>'type', (body->>'at')::timestamptz, at_server, body, link
  from json_to_recordset($2::json) as logged (seq int, at_server timestamptz, body json, link text)`

export const asRows = (events: readonly LoggedEvent[]): string =>
  JSON.stringify(
    events.map(({ seq, event, atServer, link }) => ({ seq, at_server: atServer, body: event, link })),
  )

type Omitted = 'seq' | 'at' | 'previous' | 'key'
/** What an entry is about, before it has its place. */
type About = LogbookEntry extends infer E ? (E extends unknown ? Omit<E, Omitted> : never) : never

/** Make the next entry of the logbook, signed. */
async function enter(tx: Queries, key: ShopKey, about: About): Promise<void> {
  const [last] = await tx.query<{ seq: number; link: string }>(
    'select seq, link from logbook_entry order by seq desc limit 1',
  )
  const entry = {
    ...about,
    seq: (last?.seq ?? 0) + 1,
    at: new Date().toISOString(),
    previous: last?.link ?? NOTHING_BEFORE,
    key: key.fingerprint,
  } as LogbookEntry
  const link = entryLink(entry)
  await tx.query(
    'insert into logbook_entry (seq, job_id, link, entry, signature) values ($1, $2, $3, $4, $5)',
    [entry.seq, 'job' in entry ? entry.job : null, link, JSON.stringify(entry), key.sign(link)],
  )
}

/** How far a job's chain goes now. */
async function chainOf(tx: Queries, jobId: string): Promise<{ events: number; eventsLink: string }> {
  const [last] = await tx.query<{ events: number; eventsLink: string }>(
    `select seq as events, link as "eventsLink" from job_event where job_id = $1 order by seq desc limit 1`,
    [jobId],
  )
  if (!last) throw new Error(`job ${jobId} has no event`)
  return last
}

/** A job was filed: its frozen record stands in the logbook. */
export async function enterRecord(
  tx: Queries,
  key: ShopKey,
  jobId: string,
  record: unknown,
  late?: true,
): Promise<void> {
  const chain = await chainOf(tx, jobId)
  await enter(tx, key, {
    kind: 'record',
    job: jobId,
    ...chain,
    record: hashOf(record),
    ...(late && { late }),
  })
}

/** Something was added to a filed record. */
export async function enterAddendum(tx: Queries, key: ShopKey, jobId: string): Promise<void> {
  await enter(tx, key, { kind: 'addendum', job: jobId, ...(await chainOf(tx, jobId)) })
}

/** The key that signs from now on stands in the logbook before anything that it signs. */
export async function enterKey(db: Database): Promise<void> {
  await db.transaction(async (tx) => {
    const [last] = await tx.query<{ key: string }>(
      `select entry->>'key' as key from logbook_entry where entry->>'kind' = 'key' order by seq desc limit 1`,
    )
    if (last?.key !== db.shopKey.fingerprint)
      await enter(tx, db.shopKey, { kind: 'key', publicKey: db.shopKey.publicKey })
  })
}

/** Chain what was recorded before there were chains, and enter what was filed then. Ended in its midst it goes on. */
export async function chainEarlier(db: Database): Promise<void> {
  const jobs = await db.query<{ job_id: string }>(
    'select distinct job_id from job_event where link is null order by job_id',
  )
  for (const { job_id } of jobs) await db.transaction((tx) => chainJob(tx, job_id))
  const unentered = await db.query<{ job_id: string }>(
    `select record.job_id from record join job on job.id = record.job_id
     where not exists (select 1 from logbook_entry where logbook_entry.job_id = record.job_id)
     order by job.filed_at, job.id`,
  )
  for (const { job_id } of unentered)
    await db.transaction(async (tx) => {
      const [record] = await tx.query<{ state: unknown }>('select state from record where job_id = $1', [
        job_id,
      ])
      await enterRecord(tx, db.shopKey, job_id, record?.state, true)
    })
}

async function chainJob(tx: Queries, jobId: string): Promise<void> {
  const rows = await tx.query<{ seq: number; at_server: string; body: unknown }>(
    'select seq, at_server, body from job_event where job_id = $1 order by seq',
    [jobId],
  )
  let previous = NOTHING_BEFORE
  const links = rows.map(({ seq, at_server, body }) => {
    previous = eventLink(previous, { job: jobId, seq, atServer: at_server, event: body })
    return previous
  })
  await tx.query(
    `update job_event set link = chained.link from unnest($2::int[], $3::text[]) as chained (seq, link)
     where job_event.job_id = $1 and job_event.seq = chained.seq`,
    [jobId, rows.map(({ seq }) => seq), links],
  )
}

/** The newest entry; undefined where nothing is entered. */
export async function logbookHead(db: Queries): Promise<{ seq: number; link: string } | undefined> {
  const [head] = await db.query<{ seq: number; link: string }>(
    'select seq, link from logbook_entry order by seq desc limit 1',
  )
  return head
}

/** A certificate's code: the beginning of its entry's link, which nobody can guess. */
export const CODE_LENGTH = 16
export const checkCode = (link: string): string => link.slice(0, CODE_LENGTH)

/** The entry that a certificate's code stands for, with its job; undefined where there is none. */
export async function entryByCode(
  db: Queries,
  code: string,
): Promise<{ jobId: string; entry: LogbookEntry; newest: number } | undefined> {
  if (!/^[0-9a-f]{16}$/.test(code)) return undefined
  const [row] = await db.query<{ job_id: string; entry: LogbookEntry; newest: number }>(
    `select job_id, entry, (select max(seq) from logbook_entry) as newest from logbook_entry
     where link like $1 || '%' and entry->>'kind' = 'record'`,
    [code],
  )
  return row && { jobId: row.job_id, entry: row.entry, newest: row.newest }
}

/** Every entry about a job, in order. */
export const entriesOf = (db: Queries, jobId: string): Promise<SignedEntry[]> =>
  db.query<SignedEntry>('select entry, link, signature from logbook_entry where job_id = $1 order by seq', [
    jobId,
  ])
