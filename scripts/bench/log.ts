import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { appendEvents } from '~/db/append.server'
import { openData } from '~/db/open.server'
import { replay } from '~core/job/apply'
import { carefulAct } from '~core/job/careful'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { vehicleFrom } from '~test/worlds/vehicles'
import { loadDemoWorld } from '../../demo/load'
import vanFile from '../../demo/vehicles/post-van-lhd.json'
import { openVanJob } from '../own-van'
import { line, medianMs, ms, quantile } from './measure'

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
