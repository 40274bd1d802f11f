import { existsSync, readFileSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { PGlite, type Transaction, types } from '@electric-sql/pglite'
import { openDurable, type Prepare, type Sync } from '~server/db/disk/durable.server'
import { noticeStop } from '~server/db/disk/stopped.server'
import { hasDatabaseCode, type Queries } from './database.server'
import { folderAsTar } from './disk/folder-tar.server'
import { startParams } from './disk/start-params.server'
import type { Engine, KeptDatabase } from './engine.server'
import { mayChange, Remembered, type Writes } from './remembered.server'
import { passingKey, type ShopKey } from './shop-key.server'

/** `date` and times stay text: a Date would show the evening before west of Greenwich. */
const asText = (value: string) => value
/** Given to a store when it is opened: those given with a question are merged with all others at each question. */
const parsers = {
  [types.DATE]: asText,
  [types.TIMESTAMPTZ]: (value: string) => new Date(value).toISOString(),
}

const queriesOf = (pg: PGlite | Transaction): Queries => ({
  async query<Row>(sql: string, params: readonly unknown[] = []) {
    return (await pg.query<Row>(sql, [...params])).rows
  },
})

/** @param writes is told each of them, which may write */
const told = ({ query }: Queries, writes: Writes): Queries => ({
  query(sql, params) {
    writes(sql)
    return query(sql, params)
  },
})

/**
 * A database in memory, or a new one in a folder, which is to be synced as a whole once it is complete.
 *
 * @param begin a dump to begin from
 */
export async function openPglite(
  dataDir?: string,
  begin?: string | Blob,
  shopKey = passingKey(),
): Promise<KeptDatabase> {
  const loadDataDir = typeof begin === 'string' ? new Blob([await readFile(begin)]) : begin
  const pg = await PGlite.create({ dataDir, loadDataDir, parsers, startParams: [...startParams] })
  return behindPort(pg, shopKey, noticeStop(pg))
}

/** The database of a folder: an acknowledged commit is on the disk. */
export async function openFolder(
  dataDir: string,
  shopKey: ShopKey,
  sync?: Sync,
  listen?: Prepare,
): Promise<KeptDatabase> {
  const { pg, unsynced } = await openDurable(dataDir, { parsers, sync, listen })
  return behindPort(pg, shopKey, noticeStop(pg), unsynced)
}

/** @source PostgreSQL, appendix A */
export const INPUT_OUTPUT_ERROR = '58030'

/** The database has stopped, or the disk did not take what it was to keep. */
class StoppedError extends Error {
  readonly code = INPUT_OUTPUT_ERROR
  constructor(why: unknown) {
    const said = why instanceof Error ? why.message : String(why)
    // What it says by itself speaks to whoever compiles it.
    super(said.startsWith('Aborted') ? 'PostgreSQL stopped itself' : said)
  }
}

/** @param unsynced what could not be put on the disk; undefined while all could */
function behindPort(
  pg: PGlite,
  shopKey: ShopKey,
  stopped: ReturnType<typeof noticeStop>,
  unsynced: () => unknown = () => undefined,
): KeptDatabase {
  /**
   * What was not put on the disk was not done, whatever the database says. What else waits in it is not begun: another
   * one may have opened its folder by then.
   */
  async function sound<T>(work: Promise<T>): Promise<T> {
    const [done] = await Promise.allSettled([work])
    const failed =
      done.status === 'rejected' && hasDatabaseCode(done.reason, INPUT_OUTPUT_ERROR) ? done.reason : undefined
    const why = unsynced() ?? stopped.why() ?? failed
    if (why !== undefined) {
      stopped.stop(why)
      throw new StoppedError(why)
    }
    if (done.status === 'rejected') throw done.reason
    return done.value
  }
  const { query } = queriesOf(pg)
  const remembered = new Remembered()
  return {
    shopKey,
    // What is remembered is asked of in here, so that a store that has stopped says so whatever it is asked.
    query: (sql, params = []) =>
      sound(
        mayChange(sql)
          ? remembered.write((writes) => told({ query }, writes).query(sql, params))
          : remembered.read(sql, params, query),
      ),
    transaction: (work) =>
      sound(
        remembered.write((writes) => pg.transaction((tx) => work(told(queriesOf(tx), writes)))) as Promise<
          Awaited<ReturnType<typeof work>>
        >,
      ),
    writable: async () => {},
    close: () => pg.close(),
    exec: (sql) => sound(remembered.rewrite(() => pg.exec(sql).then(() => undefined))),
    dump: () => pg.dumpDataDir('none'),
  }
}

/** The PostgreSQL inside this program; the files of another major version are not its own. */
const POSTGRES = '18'

/** @throws Error with a sentence where the folder is not one that this program can open */
function checkFolder(dir: string): void {
  if (!existsSync(join(dir, 'global', 'pg_control')))
    throw new Error(
      `The data in ${dir} is not whole: a first start was ended in its midst. Nothing was recorded in it yet; move it away and start again.`,
    )
  const version = readFileSync(join(dir, 'PG_VERSION'), 'utf8').trim()
  if (version !== POSTGRES)
    throw new Error(
      `The data in ${dir} was written by PostgreSQL ${version}, this program has ${POSTGRES}. With the release that wrote it: siphon export FILE. With this one, into an empty folder: siphon import FILE.`,
    )
}

/** PostgreSQL inside this process, its files in a folder. */
export const pglite: Engine = {
  begin: (dir, snapshot) =>
    openPglite(dir, snapshot !== undefined && existsSync(snapshot) ? snapshot : undefined),
  checkFolder,
  open: (dir, key) => openFolder(dir, key),
  openToRead: async (dir, key) => openPglite(undefined, await folderAsTar(dir), key),
}
