import { chmodSync, existsSync, mkdirSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { setZone } from '~/lib/zone'
import type { Database } from './database.server'
import { syncPath, syncTree } from './disk/sync.server'
import { keepFormats } from './formats.server'
import { folderAsTar } from './keep/folder-tar.server'
import { backUpInto, backupsDir } from './keep/nightly.server'
import { chainEarlier, enterKey } from './ledger.server'
import { lockDataDir } from './lock.server'
import { migrate, pending, schemaHash } from './migrate.server'
import { openFolder, openPglite } from './pglite.server'
import { keyPathOf, passingKey, type ShopKey, shopKeyAt } from './shop-key.server'
import { guarded, isStorageFault, mayWrite, type OpenAnew, type StorageFault } from './storage.server'
import { keepMachineZone, shopZone } from './zone.server'

/** Where the build leaves the snapshot that a first start begins from. */
export const snapshotPath = (buildDir: string): string => join(buildDir, 'snapshot', `${schemaHash()}.tar`)

/** The PostgreSQL inside this program; the files of another major version are not its own. */
const POSTGRES = '18'

/** `onlyRead`: nothing can be written, and what is read is a copy. */
export type Opened = { db: Database; first: boolean; onlyRead: boolean }

/**
 * Open the shop's data: locked against a second process, begun from the built snapshot where it is new,
 * brought forward to the newest migration. Where nothing can be written it is opened to be read.
 *
 * @returns the database, whether this was its first start, and whether it can only be read
 */
export async function openData(dataDir: string, buildDir: string): Promise<Opened> {
  const pgDir = join(dataDir, 'pg')
  const fault = existsSync(pgDir) ? await whyNotWritable(dataDir) : undefined
  if (fault)
    return {
      db: guarded(await openToRead(pgDir, dataDir), dataDir, undefined, fault),
      first: false,
      onlyRead: true,
    }
  if (!existsSync(dataDir)) makeDir(dataDir)
  await mayWrite(dataDir)
  keepPrivate(dataDir)
  const unlock = lockDataDir(dataDir)
  try {
    const key = shopKeyAt(keyPathOf(dataDir))
    const first = !existsSync(pgDir)
    if (first) await makeWhole(dataDir, (dir) => beginIn(dir, snapshotPath(buildDir)))
    checkFolder(pgDir)
    const pg = await openFolder(pgDir, key)
    // What goes wrong in bringing it forward can be gone back from.
    if (!first && (await pending(pg)).length > 0) await backUpInto(pg, pgDir, backupsDir(dataDir), 'before')
    await migrate(pg)
    await keepFormats(pg)
    await enterKey(pg)
    await chainEarlier(pg)
    await keepMachineZone(pg)
    setZone(await shopZone(pg))
    const db = guarded(pg, dataDir, openAnew(pgDir, dataDir, key))
    const close = async () => {
      await db.close()
      unlock()
    }
    return { db: { ...db, close }, first, onlyRead: false }
  } catch (error) {
    unlock()
    throw error
  }
}

/**
 * Make the database of a data folder under another name, put all of it on the disk, then give it its own: whatever
 * ends the process before leaves no half of one.
 */
export async function makeWhole(dataDir: string, make: (dir: string) => Promise<void>): Promise<void> {
  const half = join(dataDir, 'pg.half')
  rmSync(half, { recursive: true, force: true })
  await make(half)
  syncTree(half)
  renameSync(half, join(dataDir, 'pg'))
  syncPath(dataDir)
}

async function beginIn(dir: string, snapshot: string): Promise<void> {
  const pg = await openPglite(dir, existsSync(snapshot) ? snapshot : undefined)
  await migrate(pg)
  await pg.close()
}

/** @throws Error with a sentence where the folder is not one that this program can open */
function checkFolder(pgDir: string): void {
  if (!existsSync(join(pgDir, 'global', 'pg_control')))
    throw new Error(
      `The data in ${pgDir} is not whole: a first start was ended in its midst. Nothing was recorded in it yet; move it away and start again.`,
    )
  const version = readFileSync(join(pgDir, 'PG_VERSION'), 'utf8').trim()
  if (version !== POSTGRES)
    throw new Error(
      `The data in ${pgDir} was written by PostgreSQL ${version}, this program has ${POSTGRES}. With the release that wrote it: siphon export FILE. With this one, into an empty folder: siphon import FILE.`,
    )
}

async function whyNotWritable(dataDir: string): Promise<StorageFault | undefined> {
  try {
    await mayWrite(dataDir)
    return undefined
  } catch (error) {
    if (isStorageFault(error)) return error
    throw error
  }
}

/** A copy in memory of a folder that cannot be written: what was recorded can be read. */
async function openToRead(pgDir: string, dataDir: string): Promise<Database> {
  // What is read may be given away as a file, and that bears the shop's own name.
  const keyPath = keyPathOf(dataDir)
  const key = existsSync(keyPath) ? shopKeyAt(keyPath) : passingKey()
  const pg = await openPglite(undefined, await folderAsTar(pgDir), key)
  const missing = await pending(pg)
  if (missing.length > 0)
    throw new Error(
      `The data in ${pgDir} is of an older release and cannot be brought forward now: ${missing[0]}.`,
    )
  setZone(await shopZone(pg))
  return pg
}

/** After a failure: the folder again, or where that cannot be, a copy to read in. */
const openAnew =
  (pgDir: string, dataDir: string, key: ShopKey): OpenAnew =>
  async () => {
    const fault = await whyNotWritable(dataDir)
    return fault
      ? { db: await openToRead(pgDir, dataDir), onlyRead: fault }
      : { db: await openFolder(pgDir, key) }
  }

/** A folder of an earlier release may be open to everybody on the machine; who does not own it cannot close it. */
function keepPrivate(dataDir: string): void {
  if ((statSync(dataDir).mode & 0o077) === 0) return
  try {
    chmodSync(dataDir, 0o700)
  } catch (error) {
    console.error(
      `Others on this machine can read ${dataDir}, and it cannot be closed to them (${(error as NodeJS.ErrnoException).code}): its owner can.`,
    )
  }
}

function makeDir(dataDir: string): void {
  try {
    // What customers' cars were found with is nobody else's on this machine.
    mkdirSync(dataDir, { recursive: true, mode: 0o700 })
  } catch (error) {
    throw new Error(
      `The data folder ${dataDir} cannot be made (${(error as NodeJS.ErrnoException).code}): set SIPHON_DATA to a folder that can be written.`,
    )
  }
}
