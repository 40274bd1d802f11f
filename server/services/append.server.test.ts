import { afterAll, beforeAll, expect, test } from 'vitest'
import { newId } from '~/lib/ids'
import { replay } from '~core/job/apply'
import type { JobEvent } from '~core/job/events'
import { eventLink, NOTHING_BEFORE } from '~core/ledger/event-chain'
import type { Database } from '~server/db/database.server'
import { findJob, jobTrace, openJobs } from '~server/store/jobs.server'
import { demoOn } from '~test/worlds/store'
import { appendEvents } from './append.server'

let db: Database
/** Another part of the program over the same store, with a memory of its own. */
let elsewhere: Database
let jobId: string

beforeAll(async () => {
  db = await demoOn('2026-05-04')
  elsewhere = { ...db }
  jobId = (await openJobs(db)).find(({ station }) => station === 'bleed')?.id ?? ''
})
afterAll(() => db.close())

const act = (timer: string): JobEvent => ({
  id: newId(),
  at: new Date().toISOString(),
  type: 'timer-started',
  timer,
})
const length = async (at: Database, event: JobEvent) => {
  const appended = await appendEvents(at, jobId, [event])
  return appended.ok ? appended.state.length : appended.refusal.code
}

test('a job that something else went on with is gone on with from there, in one chain', async () => {
  const before = (await findJob(db, jobId))?.length ?? 0
  expect(await length(db, act('one'))).toBe(before + 1)
  expect(await length(elsewhere, act('two'))).toBe(before + 2)
  expect(await length(db, act('three'))).toBe(before + 3)
  expect(await length(elsewhere, act('four'))).toBe(before + 4)
  expect(replay((await jobTrace(db, jobId)).map(({ event }) => event))).toEqual(await findJob(db, jobId))
  const rows = await db.query<{ seq: number; at_server: string; body: unknown; link: string }>(
    'select seq, at_server, body, link from job_event where job_id = $1 order by seq',
    [jobId],
  )
  let previous = NOTHING_BEFORE
  for (const { seq, at_server, body, link } of rows) {
    previous = eventLink(previous, { job: jobId, seq, atServer: at_server, event: body })
    expect(link).toBe(previous)
  }
})

test('an act that was recorded elsewhere, or here with more after it, is answered as recorded; another under its number is not', async () => {
  const there = act('there')
  const recorded = await length(elsewhere, there)
  expect(await length(db, there)).toBe(recorded)
  const here = act('here')
  await length(db, here)
  await length(db, act('after it'))
  expect(await length(db, here)).toBe(Number(recorded) + 2)
  expect(await length(db, { ...here, timer: 'something else' } as JobEvent)).toBe('another-act')
  expect((await jobTrace(db, jobId)).filter(({ event }) => event.id === here.id)).toHaveLength(1)
})

test('several at once are recorded with one more sent again among them; where one cannot follow none is', async () => {
  const [first, second] = [act('first'), act('second')]
  const from = Number(await length(db, first))
  const appended = await appendEvents(db, jobId, [first, second])
  expect(appended.ok && appended.state.length).toBe(from + 1)
  const unfit: JobEvent = { id: newId(), at: new Date().toISOString(), type: 'undone', event: 'nothing' }
  expect((await appendEvents(db, jobId, [act('third'), unfit])).ok).toBe(false)
  expect((await findJob(db, jobId))?.length).toBe(from + 1)
})
