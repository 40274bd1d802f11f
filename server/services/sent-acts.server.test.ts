import { afterAll, beforeAll, expect, test } from 'vitest'
import { newId } from '~/lib/ids'
import { applyEvent } from '~core/job/apply'
import { carefulAct } from '~core/job/careful'
import type { FloorEvent } from '~core/job/events'
import type { JobState } from '~core/job/state'
import type { Database } from '~server/db/database.server'
import { findJob, openJobs } from '~server/store/jobs.server'
import { demoOn } from '~test/worlds/store'
import { endsTimer } from './held.server'
import { recordSent } from './sent-acts.server'

let db: Database
let jobId: string
beforeAll(async () => {
  db = await demoOn('2026-05-04')
  jobId = (await openJobs(db)).find(({ station }) => station === 'bleed')?.id ?? ''
})
afterAll(() => db.close())

const job = async (): Promise<JobState> => {
  const state = await findJob(db, jobId)
  if (!state) throw new Error('the demo has a job under way')
  return state
}
const stamp = () => ({ id: newId(), at: new Date().toISOString() })
const spill = (ml: number) => ({
  ...stamp(),
  type: 'trouble',
  trouble: { what: 'spilled', ml, on: 'floor' },
})
const send = (...acts: readonly unknown[]) => recordSent(db, jobId, acts, undefined)

/** What a careful technician does next, up to what has to be held, and the job after it. */
function carefulActs(before: JobState, most: number): { acts: FloorEvent[]; after: JobState } {
  let after = before
  const acts: FloorEvent[] = []
  while (acts.length < most) {
    const act = carefulAct(after)
    const event = act && ({ ...act, ...stamp() } as FloorEvent)
    if (!event || endsTimer(event)) break
    const applied = applyEvent(after, event)
    if (!applied.ok) throw new Error(applied.refusal.code)
    after = applied.state
    acts.push(event)
  }
  return { acts, after }
}

test('a list of acts leaves the job where they leave it one by one, and sent again changes nothing', async () => {
  const { acts, after } = carefulActs(await job(), 40)
  expect(acts.length).toBeGreaterThan(20)
  const sent = await send(...acts)
  expect(sent).toMatchObject({ taken: acts.length, state: { length: after.length } })
  expect(JSON.parse(JSON.stringify((await job()).run))).toEqual(JSON.parse(JSON.stringify(after.run)))
  expect(await send(...acts)).toMatchObject({ taken: acts.length, state: { length: after.length } })
  const half = carefulActs(after, 4)
  await send(...half.acts.slice(0, 2))
  expect(await send(...half.acts)).toMatchObject({ taken: 4, state: { length: after.length + 4 } })
})

test('an act that stands in a list twice is recorded once', async () => {
  const { length } = await job()
  const act = spill(4)
  expect(await send(act, spill(1), act)).toMatchObject({ taken: 3, state: { length: length + 2 } })
})

test.each([
  ['that its job does not take', { type: 'bleed-again', why: 'soft' }, { code: 'refused' }],
  ['that cannot be read', { type: 'sung' }, { code: 'unread' }],
  [
    'held as long as nobody saw',
    { type: 'step-done', step: 'level', heldS: 60 },
    { refusal: { code: 'not-timed' } },
  ],
  [
    'out of a container that the shelf does not have',
    { type: 'container-opened', container: { spec: 'DOT 4', batch: 'B', code: 'F2222222' } },
    { refusal: { code: 'no-such-container' } },
  ],
])('before an act %s all is recorded, after it nothing', async (_, act, stopped) => {
  const { length } = await job()
  expect(await send(spill(1), spill(2), { ...stamp(), ...act }, spill(3))).toMatchObject({
    taken: 2,
    stopped,
  })
  expect((await job()).length).toBe(length + 2)
})

test('for a job that nobody knows nothing is recorded', async () => {
  expect(await recordSent(db, 'nobody', [spill(1)], undefined)).toMatchObject({ taken: 0, state: undefined })
})
