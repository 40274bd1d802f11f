import { chmodSync, existsSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { setZone } from '~/lib/zone'
import type { Database } from '~server/db/database.server'
import { syncPath, syncTree } from '~server/db/disk/sync.server'
import { engine } from '~server/db/engine.server'
import { keepFormats } from '~server/db/formats.server'
import { lockDataDir } from '~server/db/lock.server'
import { migrate, pending } from '~server/db/migrate.server'
import { keyPathOf, passingKey, type ShopKey, shopKeyAt } from '~server/db/shop-key.server'
import {
  guarded,
  isStorageFault,
  mayWrite,
  type OpenAnew,
  type StorageFault,
} from '~server/db/storage.server'
import { backUpInto, backupsDir } from '~server/keep/nightly.server'
import { chainEarlier, enterKey } from '~server/store/ledger.server'
import { keepMachineZone, shopZone } from '~server/store/zone.server'
import { snapshotPath } from './snapshot.server'

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
    engine.checkFolder(pgDir)
    const pg = await engine.open(pgDir, key)
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
  const pg = await engine.begin(dir, snapshot)
  await migrate(pg)
  await pg.close()
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
  const pg = await engine.openToRead(pgDir, key)
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
      : { db: await engine.open(pgDir, key) }
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
