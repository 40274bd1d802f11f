import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { KeptDatabase } from '~server/db/engine.server'
import { openFolder } from '~server/db/pglite.server'
import { passingKey } from '~server/db/shop-key.server'
import { appendEvents } from '~server/services/append.server'
import { openJob } from '~server/services/open-job.server'
import { enterKey } from '~server/store/ledger.server'
import { shopSettings } from '~server/store/settings.server'
import { findVehicle, importVehicle } from '~server/store/vehicles.server'
import { osk, una } from '~test/worlds/scripted-job'
import { newStore } from '~test/worlds/store'
import { history } from '../../demo/history'
import { eventsOfStory } from '../../demo/story'
import van from '../../demo/vehicles/post-van-lhd.json'
import { Disk } from './disk'
import { DiskLog, unsynced } from './disk-log'

/** Filed like the demo's, one act after another, each told when it is recorded. */
const stories = history.filter(({ until, vehicle }) => until === 'filed' && vehicle === 'post-van-lhd')
const ACTS_BETWEEN_CHECKPOINTS = 150

/** A folder on which acts were recorded, with all that happened to its files; and the disk as it was before. */
export type Recorded = { disk: Disk; log: DiskLog; acts: number; key: ReturnType<typeof passingKey> }

/**
 * Record acts on a new folder and write down what reaches its files.
 *
 * @param synced false lets nothing of it be synced, as it was once
 */
export async function recordRun(acts: number, synced = true): Promise<Recorded> {
  const top = mkdtempSync(join(tmpdir(), 'siphon-crash-'))
  const dir = join(top, 'pg')
  const key = passingKey()
  const begin = await newStore(dir, key)
  await enterKey(begin)
  await begin.close()
  const disk = new Disk(dir)
  const log = new DiskLog()
  const db = await openFolder(dir, key, synced ? log.sync : unsynced, log.listen)
  const done = await record(db, acts, log)
  await db.close()
  rmSync(top, { recursive: true, force: true })
  return { disk, log, acts: done, key }
}

async function record(db: KeptDatabase, most: number, log: DiskLog): Promise<number> {
  const shop = await shopSettings(db)
  let done = 0
  for (let round = 0; done < most; round++) {
    const story = stories[round % stories.length]
    const imported = await importVehicle(db, JSON.stringify(van), { plate: `CRS ${round}` })
    const stored = imported.ok && (await findVehicle(db, imported.value.id))
    if (!story || !stored) throw new Error('the demo has a filed job on its van')
    const openedAt = new Date('2026-05-04T08:00:00Z')
    const jobId = await openJob(db, stored, openedAt.toISOString(), { by: una })
    for (const event of eventsOfStory(story, stored, shop, openedAt, { by: una, checker: osk })) {
      const appended = await appendEvents(db, jobId, [event])
      if (!appended.ok) throw new Error(`${event.type}: ${appended.refusal.code}`)
      log.acknowledge(event.id)
      done++
      if (done % ACTS_BETWEEN_CHECKPOINTS === 0) await db.exec('checkpoint')
    }
  }
  return done
}
