import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { makeSnapshot } from '~server/services/snapshot.server'
import { MADE_ONCE } from '~test/worlds/store'

/** A new store is made once a run, and loaded by each test that wants one. @returns takes it away again */
export default async function makeStoreOnce(): Promise<() => void> {
  const dir = mkdtempSync(join(tmpdir(), 'siphon-made-once-'))
  await makeSnapshot(dir)
  process.env[MADE_ONCE] = dir
  return () => rmSync(dir, { recursive: true, force: true })
}
