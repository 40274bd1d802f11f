import type { Database } from '~server/db/database.server'
import type { KeptDatabase } from '~server/db/engine.server'
import { openPglite } from '~server/db/pglite.server'
import type { ShopKey } from '~server/db/shop-key.server'
import { snapshotPath } from '~server/services/snapshot.server'
import { loadDemoWorld } from '../../demo/load'

/** Where this run's snapshot of a new store stands, as a build leaves one. */
export const MADE_ONCE = 'SIPHON_STORE_MADE_ONCE'

export function buildOfTests(): string {
  const dir = process.env[MADE_ONCE]
  if (dir === undefined) throw new Error('the run made no store')
  return dir
}

/** A new store with every migration. @param dataDir its folder; left out, it lives in memory */
export const newStore = (dataDir?: string, key?: ShopKey): Promise<KeptDatabase> =>
  openPglite(dataDir, snapshotPath(buildOfTests()), key)

/** The demo world on a certain morning, in a store of its own that lives in memory. */
export async function demoOn(day: string): Promise<Database> {
  const fresh = await newStore()
  await loadDemoWorld(fresh, new Date(`${day}T08:00:00Z`))
  return fresh
}
