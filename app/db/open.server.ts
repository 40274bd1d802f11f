import { existsSync, mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { setZone } from '~/lib/zone'
import type { Database } from './database.server'
import { lockDataDir } from './lock.server'
import { migrate, schemaHash } from './migrate.server'
import { openPglite } from './pglite.server'
import { guarded, mayWrite } from './storage.server'
import { keepMachineZone, shopZone } from './zone.server'

/** Where the build leaves the snapshot that a first start begins from. */
export const snapshotPath = (buildDir: string): string => join(buildDir, 'snapshot', `${schemaHash()}.tar`)

/**
 * Open the shop's data: locked against a second process, begun from the built snapshot where it is new,
 * brought forward to the newest migration.
 *
 * @returns the database, and whether this was its first start
 */
export async function openData(dataDir: string, buildDir: string): Promise<{ db: Database; first: boolean }> {
  if (!existsSync(dataDir)) makeDir(dataDir)
  await mayWrite(dataDir)
  const unlock = lockDataDir(dataDir)
  try {
    const pgDir = join(dataDir, 'pg')
    const first = !existsSync(pgDir)
    const snapshot = snapshotPath(buildDir)
    const pg = await openPglite(pgDir, first && existsSync(snapshot) ? snapshot : undefined)
    await migrate(pg)
    await keepMachineZone(pg)
    setZone(await shopZone(pg))
    const close = async () => {
      await pg.close()
      unlock()
    }
    return { db: guarded({ ...pg, close }, dataDir), first }
  } catch (error) {
    unlock()
    throw error
  }
}

function makeDir(dataDir: string): void {
  try {
    mkdirSync(dataDir, { recursive: true })
  } catch (error) {
    throw new Error(
      `The data folder ${dataDir} cannot be made (${(error as NodeJS.ErrnoException).code}): set SIPHON_DATA to a folder that can be written.`,
    )
  }
}
