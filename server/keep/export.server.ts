import { RELEASE } from '~/lib/release'
import {
  EXPORT_FORMAT,
  EXPORT_VERSION,
  type ExportBody,
  type ExportScope,
  ExportWriter,
} from '~core/ledger/export-file'
import type { Database, Queries } from '~server/db/database.server'
import { logbookHead } from '~server/store/ledger.server'
import { type Table, tables } from './tables'

/** So many rows are asked for at once: a page that waits meanwhile waits no longer than for one of them. */
const ROWS_AT_ONCE = 200

type Row = Record<string, unknown>
/** Rows of one table that an export takes: a condition on them, with what it asks for as `$1` and on. */
type Taken = { table: Table; where?: string; params?: readonly unknown[] }

/** All that is kept, as lines of an export. Asked of a copy, or of a store that nobody writes to meanwhile. */
export const exportAll = (db: Database): AsyncGenerator<string> =>
  exportOf(
    db,
    'all',
    tables.map((table) => ({ table })),
  )

/** The logbook with its frozen records, as far as it goes now: what is filed while it is read is not in it. */
export async function* exportLogbook(db: Database): AsyncGenerator<string> {
  const head = (await logbookHead(db))?.seq ?? 0
  yield* exportOf(db, 'logbook', [
    {
      table: named('record'),
      where: 'job_id in (select job_id from logbook_entry where seq <= $1)',
      params: [head],
    },
    { table: named('logbook_entry'), where: 'seq <= $1', params: [head] },
  ])
}

/**
 * One job: its events, its frozen record, what the logbook says of it, and the keys that signed. Its events may go
 * further than the logbook did when this was begun, and never less far.
 */
export async function* exportRecord(db: Database, jobId: string): AsyncGenerator<string> {
  const head = (await logbookHead(db))?.seq ?? 0
  yield* exportOf(db, 'record', [
    { table: named('job'), where: 'id = $1', params: [jobId] },
    { table: named('job_event'), where: 'job_id = $1', params: [jobId] },
    { table: named('record'), where: 'job_id = $1', params: [jobId] },
    {
      table: named('logbook_entry'),
      where: `seq <= $2 and (job_id = $1 or entry->>'kind' = 'key')`,
      params: [jobId, head],
    },
  ])
}

/** What is kept of one person: who they are, and every act that bears their name. */
export const exportPerson = (
  db: Database,
  { id, name }: { id: string; name: string },
): AsyncGenerator<string> =>
  exportOf(db, 'person', [
    { table: named('person'), where: 'id = $1', params: [id] },
    {
      table: named('job_event'),
      where: `$1 in (body->'by'->>'id', body->'sentBy'->>'id', body->'checkedBy'->>'id')`,
      params: [id],
    },
    ...['fluid_reading', 'fluid_exchange', 'container_move', 'waste'].map((table) => ({
      table: named(table),
      where: 'by_name = $1',
      params: [name],
    })),
    { table: named('vehicle_version'), where: 'saved_by = $1', params: [name] },
  ])

function named(name: string): Table {
  const table = tables.find((each) => each.name === name)
  if (!table) throw new Error(`no table ${name}`)
  return table
}

async function* exportOf(db: Database, scope: ExportScope, taken: readonly Taken[]): AsyncGenerator<string> {
  const { publicKey, sign } = db.shopKey
  const writer = new ExportWriter(sign)
  const head: ExportBody = {
    kind: 'head',
    format: EXPORT_FORMAT,
    version: EXPORT_VERSION,
    scope,
    release: RELEASE,
    at: new Date().toISOString(),
    publicKey,
  }
  yield writer.write(head)
  let rows = 0
  for (const each of taken)
    for await (const row of rowsOf(db, each)) {
      rows++
      yield writer.write({ kind: 'row', table: each.table.name, row })
    }
  yield writer.write({ kind: 'end', rows })
}

/** Piece by piece, each from the key on at which the last one ended: however far in, a piece takes as long. */
async function* rowsOf(db: Queries, { table, where = 'true', params = [] }: Taken): AsyncGenerator<Row> {
  const columns = (await columnsOf(db, table))
    .map((name) => (table.asText?.includes(name) ? `${name}::text as ${name}` : name))
    .join(', ')
  const key = table.key.join(', ')
  const after = table.key.map((_, i) => `$${params.length + i + 1}`).join(', ')
  for (let last: Row | undefined; ; ) {
    const from = last
    const rows: Row[] = await db.query<Row>(
      `select ${columns} from ${table.name} where (${where}) ${from ? `and (${key}) > (${after})` : ''}
       order by ${key} limit ${ROWS_AT_ONCE}`,
      [...params, ...(from ? table.key.map((name) => from[name]) : [])],
    )
    // What has no value is left out.
    for (const row of rows)
      yield Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null))
    last = rows.at(-1)
    if (rows.length < ROWS_AT_ONCE) return
  }
}

/** The columns of a table that are kept. */
export async function columnsOf(db: Queries, table: Table): Promise<string[]> {
  const columns = await db.query<{ name: string }>(
    `select column_name as name from information_schema.columns
     where table_schema = 'public' and table_name = $1 order by ordinal_position`,
    [table.name],
  )
  return columns.flatMap(({ name }) => (table.without?.includes(name) ? [] : name))
}
