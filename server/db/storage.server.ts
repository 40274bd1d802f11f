import { constants } from 'node:fs'
import { access, statfs } from 'node:fs/promises'
import { AtRest } from '~server/db/disk/at-rest.server'
import { type Database, hasDatabaseCode } from './database.server'
import { INPUT_OUTPUT_ERROR } from './pglite.server'
import { mayChange } from './remembered.server'

/** The database makes its log in pieces of 16 MB and stops for good where one cannot be made: refused well before. */
export const RESERVE_BYTES = 64e6
const MB = 1e6

/** Nothing can be recorded now: the disk is full, read-only, or failed. The message is for a person. */
export class StorageFault extends Error {
  override readonly name = 'StorageFault'
  constructor(
    readonly code: 'disk-full' | 'read-only' | 'failed',
    sentence: string,
  ) {
    super(sentence)
  }
}

/** By name: the pages are a bundle of their own and hold another copy of the class. */
export const isStorageFault = (error: unknown): error is StorageFault =>
  error instanceof Error && error.name === 'StorageFault'

/** @throws StorageFault where nothing may be written into the data folder now */
export async function mayWrite(dataDir: string): Promise<void> {
  await access(dataDir, constants.W_OK).catch(() => {
    throw new StorageFault(
      'read-only',
      `Nothing can be recorded: the data folder ${dataDir} is read-only. Make it writable; what was recorded before can still be read.`,
    )
  })
  const { bavail, bsize } = await statfs(dataDir)
  const freeBytes = bavail * bsize
  if (freeBytes < RESERVE_BYTES)
    throw fullFault(`${Math.floor(freeBytes / MB)} MB left, ${RESERVE_BYTES / MB} MB are needed`)
}

const fullFault = (why: string): StorageFault =>
  new StorageFault(
    'disk-full',
    `Nothing can be recorded: the disk is full (${why}). Make room; what was recorded before can still be read.`,
  )

/** How a store that failed is opened anew: to go on with, or where that cannot be, to read in. */
export type OpenAnew = () => Promise<{ db: Database; onlyRead?: StorageFault }>

/**
 * A database that looks before it writes, and answers at once where the store has failed: left to itself it would
 * never answer again. One that failed is opened anew, so that reading goes on, and once more at each act that asks to
 * write until it can be; whoever asked meanwhile is told that nothing was recorded.
 */
export function guarded(
  first: Database,
  dataDir: string,
  openAnew?: OpenAnew,
  onlyReadFirst?: StorageFault,
): Database {
  let onlyRead = onlyReadFirst
  let life = new Life(first)
  let opening: Promise<void> | undefined

  function reopen(openAnew: OpenAnew): Promise<void> {
    opening ??= openAnew()
      .then(
        ({ db, onlyRead: fault }) => {
          life = new Life(db)
          onlyRead = fault
        },
        // It stays failed, and every question is told so.
        () => undefined,
      )
      .finally(() => {
        opening = undefined
      })
    return opening
  }
  /** Nothing of the database that failed is asked again; it is not closed either, since it answers nothing. */
  function giveUp(error: unknown): StorageFault {
    const why = error instanceof Error ? error.message : String(error)
    const then = openAnew ? 'and go on' : 'then start the program again'
    const fault = new StorageFault(
      'failed',
      `The store in ${dataDir} failed (${why}). Nothing of this act was recorded. Make room or mend the disk, ${then}; what was recorded is kept.`,
    )
    life.end(fault)
    if (openAnew) void reopen(openAnew)
    return fault
  }
  async function watched<T>(work: (db: Database) => Promise<T>): Promise<T> {
    await opening
    const { db, ended, fault } = life
    if (fault) throw fault
    try {
      return await Promise.race([work(db), ended])
    } catch (error) {
      if (isDiskFull(error)) throw fullFault(error.message)
      throw isStorageFailure(error) ? giveUp(error) : error
    }
  }
  const writable = async () => {
    await opening
    if (!onlyRead && !life.fault) return mayWrite(dataDir)
    if (!openAnew) throw onlyRead ?? life.fault
    // There is room again, or the disk was mended: what was opened to be read in is left for the folder itself.
    await mayWrite(dataDir)
    await reopen(openAnew)
    if (onlyRead) throw onlyRead
  }
  const rest = new AtRest(async () => {
    try {
      await writable()
      await watched((db) => db.query('checkpoint'))
    } catch (error) {
      // Nothing can be written now, which whoever writes next is told; or it failed, and is opened anew.
      if (!isStorageFault(error)) throw error
    }
  })
  async function written<T>(work: (db: Database) => Promise<T>): Promise<T> {
    await writable()
    const done = await watched(work)
    rest.wrote()
    return done
  }
  return {
    query: (sql, params) => (mayChange(sql) ? written : watched)((db) => db.query(sql, params)),
    transaction: (work) => written((db) => db.transaction(work)),
    writable,
    close: async () => {
      await rest.stop()
      await life.db.close()
    },
    shopKey: first.shopKey,
  }
}

/** One opening of the store: whoever waits for it when it fails is told, since it will not tell them itself. */
class Life {
  fault?: StorageFault
  readonly ended: Promise<never>
  private reject: (fault: StorageFault) => void = () => {}
  constructor(readonly db: Database) {
    this.ended = new Promise((_, reject) => {
      this.reject = reject
    })
    this.ended.catch(() => undefined)
  }
  end(fault: StorageFault): void {
    this.fault = fault
    this.reject(fault)
  }
}

/**
 * One statement found no room, was refused and undone; the database goes on. Where that is more than it can bear it
 * stops, and says the other.
 *
 * @source PostgreSQL, appendix A: 53100 is "disk full"
 */
const isDiskFull = (error: unknown): error is Error => hasDatabaseCode(error, '53100')

/** A disk that failed; a trap is no error of the database at all: it has stopped. */
const isStorageFailure = (error: unknown): boolean =>
  error instanceof WebAssembly.RuntimeError ||
  hasDatabaseCode(error, INPUT_OUTPUT_ERROR) ||
  (error instanceof Error && error.name === 'ExitStatus')
