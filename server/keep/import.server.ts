import type { Fault } from '~core/base/fault'
import { linesOf, verifyPieces } from '~core/ledger/export-file'
import type { Queries } from '~server/db/database.server'
import { columnsOf } from './export.server'
import { type Table, tables } from './tables'

const ROWS_AT_ONCE = 500

type Row = Record<string, unknown>

/**
 * Put an export of everything into a database that is empty but for its tables. Nobody has a PIN then: each is given
 * anew, at the machine.
 *
 * @param pieces gives the file from its beginning: it is verified first, then read once more
 */
export async function importExport(
  db: Queries & { transaction<T>(work: (tx: Queries) => Promise<T>): Promise<T> },
  pieces: () => AsyncIterable<string>,
): Promise<{ ok: true; rows: number } | { ok: false; fault: Fault }> {
  const verified = await verifyPieces(pieces())
  if (!verified.valid) return { ok: false, fault: verified.fault }
  if (verified.scope !== 'all')
    return {
      ok: false,
      fault: {
        path: 'line 1.body.scope',
        message: `this holds ${verified.scope} only; give an export of everything`,
      },
    }
  let count = 0
  await db.transaction(async (tx) => {
    // What a new shop begins with is in the export too.
    await tx.query('delete from setting')
    for await (const { name, rows } of byTable(pieces())) {
      const table = tables.find((each) => each.name === name)
      if (!table) throw new Error(`this release has no table ${name}: start the one that wrote the export`)
      await insert(tx, table, rows)
      count += rows.length
    }
    for (const { name, counted } of tables)
      if (counted)
        await tx.query(
          `select setval(pg_get_serial_sequence('${name}', '${counted}'), greatest(1, (select max(${counted}) from ${name})))`,
        )
  })
  return { ok: true, rows: count }
}

/** The rows of an export, so many of one table at once. */
async function* byTable(pieces: AsyncIterable<string>): AsyncGenerator<{ name: string; rows: Row[] }> {
  let name = ''
  let rows: Row[] = []
  for await (const line of linesOf(pieces)) {
    const { body } = JSON.parse(line ?? '')
    if (rows.length > 0 && (body.table !== name || rows.length >= ROWS_AT_ONCE)) {
      yield { name, rows }
      rows = []
    }
    if (body.kind !== 'row') continue
    name = body.table
    rows.push(body.row)
  }
}

async function insert(tx: Queries, table: Table, rows: readonly Row[]): Promise<void> {
  const known = await columnsOf(tx, table)
  const strange = rows.flatMap((row) => Object.keys(row)).find((name) => !known.includes(name))
  if (strange !== undefined) throw new Error(`this release has no column ${table.name}.${strange}`)
  // A column that came later keeps what the table gives it.
  const columns = known.filter((name) => rows.some((row) => name in row))
  const values = columns.map((name) =>
    table.asText?.includes(name) ? `(given.${name} #>> '{}')::json` : `given.${name}`,
  )
  const hidden = table.without ?? []
  await tx.query(
    `insert into ${table.name} (${[...columns, ...hidden].join(', ')}) ${table.counted ? 'overriding system value' : ''}
     select ${[...values, ...hidden.map(() => "''")].join(', ')} from json_populate_recordset(null::public.${table.name}, $1::json) given`,
    [JSON.stringify(rows)],
  )
}
