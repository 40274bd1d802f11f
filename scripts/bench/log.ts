import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { replay, replayStored } from '~core/job/apply'
import { carefulAct } from '~core/job/careful'
import { toWire } from '~core/job/wire'
import { appendEvents } from '~server/services/append.server'
import { openData } from '~server/services/open-data.server'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { vehicleFrom } from '~test/worlds/vehicles'
import { loadDemoWorld } from '../../demo/load'
import vanFile from '../../demo/vehicles/post-van-lhd.json'
import { openVanJob } from '../own-van'
import { line, medianMs, ms, quantile } from './measure'

const FIRST_LOGS = 'test/golden/v1'

/** A job with thousands of events, made by bleeding the van again and again. */
function longJob(length: number): ScriptedJob {
  const vehicle = vehicleFrom(vanFile)
  const job = ScriptedJob.planned(vehicle, { reason: 'service' }, ['two-person'], 320)
  while (job.events.length < length) {
    const act = carefulAct(job.state)
    job.do(act ?? { type: 'bleed-again', why: 'bench' })
  }
  return job
}

export async function benchReducer() {
  const { events } = longJob(5000)
  const began = performance.now()
  replay(events)
  const firstMs = performance.now() - began
  const taken = await medianMs(60, () => replay(events))
  line(`reducer over ${events.length} events, median of 60 (first ${ms(firstMs)})`, ms(taken), 'under 20 ms')
  const thousand = events.slice(0, 1000)
  line('replay of a job of 1 000 events', ms(await medianMs(60, () => replay(thousand))), 'under 30 ms')
  const logs = readdirSync(FIRST_LOGS).map((name) => {
    const log = JSON.parse(readFileSync(join(FIRST_LOGS, name), 'utf8'))
    return [...replayStored(log.events)].map(({ event }) => event)
  })
  const all = await medianMs(60, () => {
    for (const log of logs) replay(log)
  })
  line(
    `replay of the ${logs.length} logs of version 1, ${logs.flat().length} events`,
    ms(all),
    'at most what version 1 took for them',
  )
}

/** A job as it is sent to a page. @source measured on version 1 with the same job: 27 876 bytes */
const VERSION_1_BYTES = 27_876

export function benchWire() {
  const bytes = JSON.stringify(toWire(longJob(62).state)).length
  line(
    'a job of 62 events as it travels, against version 1',
    `${(bytes / VERSION_1_BYTES).toFixed(2)} ×`,
    'about 0.6 ×',
  )
}

/** One event after another into the real database on disk, as the server appends what a screen sends. */
export async function benchAppend() {
  const folder = mkdtempSync(join(tmpdir(), 'siphon-bench-'))
  const { db } = await openData(folder, resolve('build'))
  await loadDemoWorld(db, new Date())
  const { jobId } = await openVanJob(db, 'BENCH 1')
  const taken: number[] = []
  for (const event of longJob(1000).events.slice(1)) {
    const began = performance.now()
    const appended = await appendEvents(db, jobId, [event])
    taken.push(performance.now() - began)
    if (!appended.ok) throw new Error(appended.refusal.code)
  }
  await db.close()
  rmSync(folder, { recursive: true })
  line(`append of an event, p95 of ${taken.length}`, ms(quantile(taken, 0.95)), 'under 20 ms')
}
