import { constants } from 'node:fs'
import { access, statfs } from 'node:fs/promises'
import type { Database } from './database.server'

/** The database makes its log in pieces of 16 MB and stops for good where one cannot be made: refused well before. */
const RESERVE_BYTES = 64e6
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
    throw new StorageFault(
      'disk-full',
      `Nothing can be recorded: the disk is full (${Math.floor(freeBytes / MB)} MB left, ${RESERVE_BYTES / MB} MB are needed). Make room; what was recorded before can still be read.`,
    )
}

/**
 * A database that looks before it writes, and answers at once where the store has failed: left to itself it would
 * never answer again.
 */
export function guarded(db: Database, dataDir: string): Database {
  let failed: StorageFault | undefined
  async function watched<T>(work: () => Promise<T>): Promise<T> {
    if (failed) throw failed
    try {
      return await work()
    } catch (error) {
      if (isStorageFailure(error))
        failed = new StorageFault(
          'failed',
          `The store in ${dataDir} failed (${(error as Error).message}). Make room or mend the disk, then start the program again; what was recorded is kept.`,
        )
      throw failed ?? error
    }
  }
  return {
    query: (sql, params) =>
      watched(async () => {
        if (!/^\s*select\b/i.test(sql)) await mayWrite(dataDir)
        return db.query(sql, params)
      }),
    transaction: (work) =>
      watched(async () => {
        await mayWrite(dataDir)
        return db.transaction(work)
      }),
    writable: () => mayWrite(dataDir),
    close: () => db.close(),
  }
}

/** 53100 is "disk full", 58030 "input/output error". @source PostgreSQL, appendix A, error codes */
const isStorageFailure = (error: unknown): boolean =>
  error instanceof Error && 'code' in error && (error.code === '53100' || error.code === '58030')
