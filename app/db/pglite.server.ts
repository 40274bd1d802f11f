import { readFile } from 'node:fs/promises'
import { PGlite, type Transaction, types } from '@electric-sql/pglite'
import type { Database, Queries } from './database.server'

/** `date` and times stay text: a Date would show the evening before west of Greenwich. */
const asText = (value: string) => value
const parsers = {
  [types.DATE]: asText,
  [types.TIMESTAMPTZ]: (value: string) => new Date(value).toISOString(),
}

const queriesOf = (pg: PGlite | Transaction): Queries => ({
  async query<Row>(sql: string, params: readonly unknown[] = []) {
    return (await pg.query<Row>(sql, [...params], { parsers })).rows
  },
})

/**
 * PGlite behind the database port.
 *
 * @param dataDir folder of the data, or undefined for memory
 * @param snapshotFile a dump to begin from; only for a folder that does not exist yet
 */
export async function openPglite(
  dataDir?: string,
  snapshotFile?: string,
): Promise<Database & { exec(sql: string): Promise<void>; dump(): Promise<Blob> }> {
  const loadDataDir = snapshotFile === undefined ? undefined : new Blob([await readFile(snapshotFile)])
  const pg = await PGlite.create({ dataDir, loadDataDir })
  return {
    ...queriesOf(pg),
    transaction: (work) =>
      pg.transaction((tx) => work(queriesOf(tx))) as Promise<Awaited<ReturnType<typeof work>>>,
    writable: async () => {},
    close: () => pg.close(),
    exec: async (sql) => void (await pg.exec(sql)),
    dump: () => pg.dumpDataDir('none'),
  }
}
