import { closeSync, fsyncSync, mkdtempSync, openSync, rmSync, writeSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import type { JobEvent } from '~core/job/events'
import type { Database } from '~server/db/database.server'
import { backUp } from '~server/keep/backup.server'
import { appendEvents } from '~server/services/append.server'
import { openData } from '~server/services/open-data.server'
import { openJob } from '~server/services/open-job.server'
import { findJob } from '~server/store/jobs.server'
import { shopSettings } from '~server/store/settings.server'
import { findVehicle, importVehicle, type StoredVehicle } from '~server/store/vehicles.server'
import { osk, una } from '~test/worlds/scripted-job'
import { history } from '../../demo/history'
import { eventsOfStory } from '../../demo/story'
import vanFile from '../../demo/vehicles/post-van-lhd.json'
import { line, ms, quantile } from './measure'

const BAYS = 20
const VEHICLES = 2000
const RECORDS = 5000
/** Of each copied job: to fill a shop with all of them takes longer than the rest of the bench. */
const EVENTS_EACH = 60
const AT = new Date('2026-05-04T08:00:00Z')
const story = history.find(({ until, vehicle }) => until === 'filed' && vehicle === 'post-van-lhd')

/** A job on a van of its own, and all that will happen on it. */
async function jobToDo(
  db: Database,
  plate: string,
): Promise<{ jobId: string; events: JobEvent[]; stored: StoredVehicle }> {
  const imported = await importVehicle(db, JSON.stringify(vanFile), { plate })
  const stored = imported.ok && (await findVehicle(db, imported.value.id))
  if (!stored || !story) throw new Error('the demo has a filed job on its van')
  const jobId = await openJob(db, stored, AT.toISOString(), { by: una })
  return {
    jobId,
    stored,
    events: eventsOfStory(story, stored, await shopSettings(db), AT, { by: una, checker: osk }),
  }
}

/** What this disk takes for one page and one sync, ms. */
function bareSyncs(dir: string, count: number): number[] {
  const path = join(dir, 'bare')
  const file = openSync(path, 'w')
  const page = Buffer.alloc(8192, 1)
  const times = Array.from({ length: count }, (_, i) => {
    const began = performance.now()
    writeSync(file, page, 0, page.length, i * page.length)
    fsyncSync(file)
    return performance.now() - began
  })
  closeSync(file)
  rmSync(path)
  return times
}

async function timed(work: () => Promise<unknown>): Promise<number> {
  const began = performance.now()
  await work()
  return performance.now() - began
}

/** One act recorded for good, many bays at once, and a backup of a large shop while somebody works. */
export async function benchKept(): Promise<void> {
  const top = mkdtempSync(join(tmpdir(), 'siphon-bench-kept-'))
  const dataDir = join(top, 'data')
  const { db } = await openData(dataDir, resolve('build'))
  const bareMs = quantile(bareSyncs(top, 400), 0.95)
  const one = await jobToDo(db, 'ONE 1')
  const acts: number[] = []
  for (const event of one.events) acts.push(await timed(() => appendEvents(db, one.jobId, [event])))
  const actMs = quantile(acts, 0.95)
  line(
    `one act on the disk, p95, against a bare sync of this disk (${ms(actMs)} / ${ms(bareMs)})`,
    `${(actMs / bareMs).toFixed(1)} ×`,
    '2 × (of a disk that takes milliseconds)',
  )
  await benchBays(db)
  await benchBackup(db, top, one)
  await db.close()
  rmSync(top, { recursive: true, force: true })
}

async function benchBays(db: Database): Promise<void> {
  const bays = await Promise.all(Array.from({ length: BAYS }, (_, i) => jobToDo(db, `BAY ${i}`)))
  let count = 0
  const tookMs = await timed(() =>
    Promise.all(
      bays.map(async ({ jobId, events }) => {
        for (const event of events.slice(0, 100)) {
          await appendEvents(db, jobId, [event])
          count++
        }
      }),
    ),
  )
  line(`acts a second from ${BAYS} bays at once`, `${Math.round((count / tookMs) * 1000)}`, '200')
}

/** A large shop is made by copying one filed job; what is measured is how much is read and written, not what it says. */
async function benchBackup(
  db: Database,
  top: string,
  done: { jobId: string; stored: StoredVehicle },
): Promise<void> {
  await db.query(
    `insert into vehicle (id, name, kind, plate, file) select 'v' || n, name, kind, 'V ' || n, file
     from vehicle, generate_series(1, $2::int) n where id = $1`,
    [done.stored.id, VEHICLES],
  )
  await db.query(
    `insert into job (id, vehicle_id, station, outcome, opened_at, updated_at, filed_at)
     select 'j' || n, 'v' || (n % $2::int + 1), station, outcome, opened_at, updated_at, filed_at
     from job, generate_series(1, $3::int) n where id = $1`,
    [done.jobId, VEHICLES, RECORDS],
  )
  for (const table of [
    'job_event (job_id, seq, id, type, at_client, at_server, body, link)',
    'record (job_id, state)',
  ]) {
    const columns = table.replace(/^\w+ \(job_id, (.*)\)$/, '$1')
    // In pieces, so that no one statement holds the whole of it.
    for (let from = 1; from <= RECORDS; from += 500)
      await db.query(
        `insert into ${table} select 'j' || n, ${columns} from ${table.split(' ')[0]}, generate_series($2::int, $3::int) n
         where job_id = $1 ${table.startsWith('job_event') ? `and seq <= ${EVENTS_EACH}` : ''}`,
        [done.jobId, from, from + 499],
      )
  }
  await db.query('checkpoint')
  const bay = await jobToDo(db, 'BACK 1')
  const backup = backUp(db, join(top, 'data', 'pg'), join(top, 'large.backup'))
  let backedUp = false
  const tookMs = timed(() => backup).finally(() => {
    backedUp = true
  })
  const acts: number[] = []
  for (const event of bay.events) {
    if (backedUp) break
    acts.push(await timed(() => appendEvents(db, bay.jobId, [event])))
    await new Promise((resume) => setTimeout(resume, 100))
  }
  const { bytes } = await backup
  line(
    `a backup of ${VEHICLES} vehicles and ${RECORDS} records (${Math.round(bytes / 1e6)} MB)`,
    `${((await tookMs) / 1000).toFixed(1)} s`,
    'under 60 s',
  )
  line(`an act meanwhile, p95 of ${acts.length}`, ms(quantile(acts, 0.95)), 'under 150 ms')
  if (!(await findJob(db, bay.jobId))) throw new Error('the job of the bench is there')
}
