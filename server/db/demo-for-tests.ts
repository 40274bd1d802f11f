import { loadDemoWorld } from '../../demo/load'
import type { Database } from './database.server'
import { migrate } from './migrate.server'
import { openPglite } from './pglite.server'

/** The demo world on a certain morning, in a database of its own that lives in memory. */
export async function demoOn(day: string): Promise<Database> {
  const fresh = await openPglite()
  await migrate(fresh)
  await loadDemoWorld(fresh, new Date(`${day}T08:00:00Z`))
  return fresh
}
