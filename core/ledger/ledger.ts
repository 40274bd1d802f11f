import type { Fault } from '../base/fault'
import { faultsOf } from '../base/zod-faults'
import { hashOf } from './canonical'
import { eventLink, NOTHING_BEFORE } from './event-chain'
import type { ExportHead, ExportScope } from './export-file'
import { entryLink, fingerprintOf, isSignedBy, type SignedEntry, signedEntrySchema } from './logbook'

type Row = Record<string, unknown>

/** What an export proves: whose keys signed, which records stand, and the newest link of the logbook. */
export type Ledger = { key: string; keys: string[]; records: SignedEntry[]; head?: string }

/** What each scope holds whole, so that what is missing from it is missed. */
const held: Record<ExportScope, { events: boolean; records: boolean; wholeLogbook: boolean; jobs: boolean }> =
  {
    all: { events: true, records: true, wholeLogbook: true, jobs: true },
    logbook: { events: false, records: true, wholeLogbook: true, jobs: false },
    record: { events: true, records: true, wholeLogbook: false, jobs: true },
    person: { events: false, records: false, wholeLogbook: false, jobs: false },
  }

class Misfit extends Error {
  constructor(readonly fault: Fault) {
    super(fault.message)
  }
}
const misfit = (path: string, message: string): never => {
  throw new Misfit({ path, message })
}

/** What does not fit, as a value. */
function faultOf(work: () => void): Fault | undefined {
  try {
    work()
    return undefined
  } catch (error) {
    if (error instanceof Misfit) return error.fault
    throw error
  }
}

/** Holds the events, frozen records and logbook entries of an export against one another, row by row. */
export class LedgerCheck {
  private readonly holds
  /** Each job's links, worked out anew from its events. */
  private readonly links = new Map<string, string[]>()
  private readonly jobs = new Set<string>()
  private readonly records = new Map<string, string>()
  private readonly entries: SignedEntry[] = []
  constructor(private readonly head: ExportHead) {
    this.holds = held[head.scope]
  }

  take(table: string, row: Row): Fault | undefined {
    return faultOf(() => {
      if (table === 'job') this.jobs.add(String(row.id))
      if (table === 'job_event' && this.holds.events) this.takeEvent(row)
      if (table === 'record') this.records.set(String(row.job_id), hashOf(row.state ?? null))
      if (table === 'logbook_entry') this.entries.push(readEntry(row))
    })
  }
  private takeEvent({ job_id, seq, at_server, body, link }: Row): void {
    const job = String(job_id)
    const links = this.links.get(job) ?? []
    this.links.set(job, links)
    const path = `job ${job}.event ${String(seq)}`
    if (seq !== links.length + 1) misfit(path, 'an event before it is missing, or it stands twice')
    const due = eventLink(links.at(-1) ?? NOTHING_BEFORE, {
      job,
      seq: links.length + 1,
      atServer: String(at_server),
      event: body,
    })
    if (due !== link) misfit(path, 'its link does not fit: it was altered')
    links.push(due)
  }

  end(): { ok: true; value: Ledger } | { ok: false; fault: Fault } {
    let value: Ledger | undefined
    const fault = faultOf(() => {
      value = this.together()
    })
    return value
      ? { ok: true, value }
      : { ok: false, fault: fault ?? { path: '', message: 'it cannot be checked' } }
  }
  private together(): Ledger {
    const { holds, links, records, entries, head } = this
    const keys = keysOf(entries, head.publicKey)
    if (holds.wholeLogbook) inOrder(entries)
    for (const { entry, link, signature } of entries) {
      const path = `logbook.${entry.seq}`
      if (link !== entryLink(entry)) misfit(path, 'its link does not fit what it says')
      const key =
        keys.get(entry.key) ?? misfit(`${path}.key`, 'it is signed by a key that the logbook does not know')
      if (!isSignedBy(key, link, signature)) misfit(`${path}.signature`, 'its signature does not fit')
      if (entry.kind === 'key') continue
      if (holds.events && links.get(entry.job)?.[entry.events - 1] !== entry.eventsLink)
        misfit(`job ${entry.job}.event ${entry.events}`, 'it is not what the logbook says was recorded')
      if (holds.records && entry.kind === 'record' && records.get(entry.job) !== entry.record)
        misfit(`record ${entry.job}`, 'it is not the record that was filed')
    }
    if (holds.jobs)
      for (const job of links.keys())
        if (!this.jobs.has(job)) misfit(`job ${job}`, 'it has events and is not there')
    const entered = entries.filter(({ entry }) => entry.kind === 'record')
    const known = new Set(entered.flatMap(({ entry }) => ('job' in entry ? entry.job : [])))
    for (const job of records.keys())
      if (!known.has(job)) misfit(`record ${job}`, 'the logbook has no entry for it')
    return {
      key: fingerprintOf(head.publicKey),
      keys: [...keys.keys()],
      records: entered,
      head: entries.at(-1)?.link,
    }
  }
}

function readEntry({ entry, link, signature }: Row): SignedEntry {
  const read = signedEntrySchema.safeParse({ entry, link, signature })
  if (read.success) return read.data
  const [first] = faultsOf(read.error)
  return misfit(`logbook.${first?.path ?? ''}`, first?.message ?? 'not an entry')
}

/** Every key that signs, by its fingerprint: the shop's present one, and those that the logbook names. */
function keysOf(entries: readonly SignedEntry[], publicKey: string): Map<string, string> {
  const keys = new Map([[fingerprintOf(publicKey), publicKey]])
  for (const { entry } of entries)
    if (entry.kind === 'key') {
      if (fingerprintOf(entry.publicKey) !== entry.key)
        misfit(`logbook.${entry.seq}.publicKey`, 'a key is entered by itself')
      keys.set(entry.key, entry.publicKey)
    }
  return keys
}

/** A whole logbook begins with a key and has every entry once, each on the one before. */
function inOrder(entries: readonly SignedEntry[]): void {
  let previous = NOTHING_BEFORE
  for (const [i, { entry, link }] of entries.entries()) {
    if (entry.seq !== i + 1) misfit(`logbook.${i + 1}`, 'an entry is missing, or stands twice')
    if (entry.previous !== previous)
      misfit(`logbook.${entry.seq}.previous`, 'it does not follow the entry before it')
    if (i === 0 && entry.kind !== 'key') misfit('logbook.1', 'a logbook begins with its key')
    previous = link
  }
}
