import { z } from 'zod'
import type { Fault } from '../base/fault'
import { faultsOf } from '../base/zod-faults'
import { canonicalText, hashOf } from './canonical'
import { NOTHING_BEFORE } from './event-chain'
import { type Ledger, LedgerCheck } from './ledger'
import { isSignedBy, shortFingerprint } from './logbook'

export const EXPORT_FORMAT = 'ruddy-siphon.export'
export const EXPORT_VERSION = 1

/** What an export holds: all of a shop, the logbook, one job with its record, or what is known of one person. */
export const exportScopes = ['all', 'logbook', 'record', 'person'] as const
export type ExportScope = (typeof exportScopes)[number]

const hex = (bytes: number) =>
  z.string().regex(new RegExp(`^[0-9a-f]{${2 * bytes}}$`), 'give hexadecimal digits')

const headSchema = z.strictObject({
  kind: z.literal('head'),
  format: z.literal(EXPORT_FORMAT),
  version: z.literal(EXPORT_VERSION),
  scope: z.enum(exportScopes),
  /** Release of the program that wrote it. */
  release: z.string(),
  at: z.iso.datetime(),
  publicKey: hex(32),
})
const rowSchema = z.strictObject({
  kind: z.literal('row'),
  table: z.string().regex(/^[a-z_]+$/),
  row: z.record(z.string(), z.unknown()),
})
const endSchema = z.strictObject({ kind: z.literal('end'), rows: z.int().nonnegative() })

export const exportBodySchema = z.discriminatedUnion('kind', [headSchema, rowSchema, endSchema])
export type ExportBody = z.output<typeof exportBodySchema>
export type ExportHead = z.output<typeof headSchema>

/** One line of an export: each holds the one before, and the last is signed. */
export const exportLineSchema = z.strictObject({
  line: z.int().positive(),
  body: exportBodySchema,
  link: hex(32),
  signature: hex(64).optional(),
})
export type ExportLine = z.output<typeof exportLineSchema>

const lineLink = (previous: string, line: number, body: ExportBody): string =>
  hashOf({ previous, line, body })

/** Writes an export line by line. */
export class ExportWriter {
  private line = 0
  private previous = NOTHING_BEFORE
  /** @param sign the shop's signature of a text */
  constructor(private readonly sign: (text: string) => string) {}

  /** @returns the line with its line end: canonical JSON, so that it has one text and no other */
  write(body: ExportBody): string {
    this.line++
    const link = lineLink(this.previous, this.line, body)
    this.previous = link
    const signature = body.kind === 'end' ? { signature: this.sign(link) } : {}
    return `${canonicalText({ line: this.line, body, link, ...signature })}\n`
  }
}

/** What a check of an export came to. */
export type Verified =
  | {
      valid: true
      scope: ExportScope
      records: number
      head: string
      key: string
      keys: string[]
      ledger: Ledger
    }
  | { valid: false; fault: Fault }

const fault = (path: string, message: string): Fault => ({ path, message })

/**
 * Whether an export is as it was written: every line in its one text, in its place, chained and signed; and what is
 * in it fits together, each job's events, frozen record and entries in the logbook. It is given line by line, since a
 * shop's may be longer than a text can be, and keeps of each no more than its hash.
 */
export class ExportCheck {
  private lines = 0
  private rows = 0
  private previous = NOTHING_BEFORE
  private head?: ExportHead
  private ledger?: LedgerCheck
  private ended?: { signature?: string; rows: number }
  /** @param see is shown every row that fits so far */
  constructor(private readonly see: (table: string, row: Record<string, unknown>) => void = () => {}) {}

  /** @returns what does not fit of the next line, without its line end */
  take(text: string): Fault | undefined {
    this.lines++
    const path = `line ${this.lines}`
    if (this.ended) return fault(path, 'lines follow its end')
    let raw: unknown
    try {
      raw = JSON.parse(text)
    } catch {
      return fault(path, 'this is not JSON; the line was altered or cut')
    }
    const read = exportLineSchema.safeParse(raw)
    if (!read.success) {
      const [first] = faultsOf(read.error)
      return fault(`${path}.${first?.path ?? ''}`, first?.message ?? 'not a line of an export')
    }
    const { line, body, link, signature } = read.data
    if (line !== this.lines)
      return fault(
        `${path}.line`,
        `it says that it is line ${line}: lines were dropped, put in or moved before it`,
      )
    if (textOf(raw) !== text)
      return fault(path, 'it was written anew: it is not the canonical text of what it says')
    if (link !== lineLink(this.previous, line, body))
      return fault(path, 'its link does not fit: it was altered, or the line before it is another')
    this.previous = link
    if ((this.lines === 1) !== (body.kind === 'head'))
      return fault(path, this.lines === 1 ? 'an export begins with its head' : 'a second head')
    if (body.kind === 'end') this.ended = { signature, rows: body.rows }
    if (body.kind === 'head') {
      this.head = body
      this.ledger = new LedgerCheck(body)
    }
    if (body.kind !== 'row') return undefined
    this.rows++
    this.see(body.table, body.row)
    return this.ledger?.take(body.table, body.row)
  }
  /** What all of it came to, once every line was taken. */
  end(): Verified {
    const { head, ended, ledger } = this
    const path = `line ${this.lines}`
    const invalid = (message: string, at = path): Verified => ({ valid: false, fault: fault(at, message) })
    if (!head || !ledger) return invalid('an export has a head', '')
    if (!ended) return invalid('the file is cut off: its end is missing')
    if (ended.rows !== this.rows) return invalid('its count of rows does not fit')
    if (ended.signature === undefined || !isSignedBy(head.publicKey, this.previous, ended.signature))
      return invalid('the signature does not fit: another than the shop wrote this', `${path}.signature`)
    const checked = ledger.end()
    if (!checked.ok) return { valid: false, fault: checked.fault }
    const { records, keys, key } = checked.value
    return {
      valid: true,
      scope: head.scope,
      records: records.length,
      head: checked.value.head ?? this.previous,
      key: shortFingerprint(key),
      keys,
      ledger: checked.value,
    }
  }
}

const CUT_OFF = fault('', 'the file is cut off: its last line has no end')

/** Check an export that is at hand as one text. @returns what it holds, or the first thing that does not fit */
export function verifyExport(text: string): Verified {
  if (!text.endsWith('\n')) return { valid: false, fault: CUT_OFF }
  const check = new ExportCheck()
  for (const line of text.slice(0, -1).split('\n')) {
    const found = check.take(line)
    if (found) return { valid: false, fault: found }
  }
  return check.end()
}

/** Check an export as it is read, piece by piece. */
export async function verifyPieces(
  pieces: AsyncIterable<string>,
  check = new ExportCheck(),
): Promise<Verified> {
  for await (const line of linesOf(pieces)) {
    const found = line === undefined ? CUT_OFF : check.take(line)
    if (found) return { valid: false, fault: found }
  }
  return check.end()
}

/** The lines of a text that comes in pieces; undefined at last where it does not end with a line's end. */
export async function* linesOf(pieces: AsyncIterable<string>): AsyncGenerator<string | undefined> {
  let rest = ''
  for await (const piece of pieces) {
    const lines = (rest + piece).split('\n')
    rest = lines.pop() ?? ''
    yield* lines
  }
  if (rest !== '') yield undefined
}

/** Lone surrogates have no canonical text; such a line was not written by us. */
function textOf(value: unknown): string | undefined {
  try {
    return canonicalText(value)
  } catch {
    return undefined
  }
}
