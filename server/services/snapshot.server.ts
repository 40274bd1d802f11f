import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { engine } from '~server/db/engine.server'
import { migrate, schemaHash } from '~server/db/migrate.server'

/** Where the snapshot stands that a first start begins from. */
export const snapshotPath = (buildDir: string): string => join(buildDir, 'snapshot', `${schemaHash()}.tar`)

/** Make a new store and keep it as a snapshot: it takes seconds to make and one to load. @returns where it stands */
export async function makeSnapshot(buildDir: string): Promise<string> {
  const path = snapshotPath(buildDir)
  rmSync(dirname(path), { recursive: true, force: true })
  mkdirSync(dirname(path), { recursive: true })
  const db = await engine.begin()
  await migrate(db)
  writeFileSync(path, Buffer.from(await (await db.dump()).arrayBuffer()))
  await db.close()
  return path
}
