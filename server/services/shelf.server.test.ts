import { BinaryBitmap, GlobalHistogramBinarizer, MultiFormatReader, RGBLuminanceSource } from '@zxing/library'
import fc from 'fast-check'
import { PNG } from 'pngjs'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { barcodePng } from '~/routes/shelf/barcode.server'
import { carefulAct } from '~core/job/careful'
import type { JobEvent, Unstamped } from '~core/job/events'
import { makePlan } from '~core/plan/plan'
import { shopSchema, workSchema } from '~core/plan/request'
import { codeFrom, readCode } from '~core/stock/code'
import type { Database } from '~server/db/database.server'
import { findJob } from '~server/store/jobs.server'
import {
  addContainers,
  containersFor,
  correctLeft,
  findContainer,
  pouredBy,
  saveShelfSettings,
  throwAway,
} from '~server/store/shelf.server'
import { findVehicle, importVehicle, listVehicles } from '~server/store/vehicles.server'
import { drums, handOver } from '~server/store/waste.server'
import { demoOn } from '~test/worlds/store'
import { appendEvents } from './append.server'
import { openJob } from './open-job.server'

const today = '2026-05-04'
let db: Database
beforeAll(async () => {
  db = await demoOn(today)
})
afterAll(() => db.close())

let made = 0
async function send(jobId: string, act: Unstamped<JobEvent>) {
  const event = {
    ...act,
    id: `shelf-test-${made++}`.padEnd(16, '-'),
    at: `${today}T09:00:00.000Z`,
  } as JobEvent
  return { event, answer: await appendEvents(db, jobId, [event]) }
}
const did = async (jobId: string, act: Unstamped<JobEvent>) => {
  const { event, answer } = await send(jobId, act)
  if (!answer.ok) throw new Error(answer.refusal.text)
  return event
}
const spec = 'DOT 4' as const

/** A job on a minibus of its own: one vehicle is worked on in one job. */
async function opensJob(): Promise<string> {
  const row = (await listVehicles(db)).find(({ plate }) => plate === 'PUF 18')
  const stored = await findVehicle(db, row?.id ?? '')
  if (!stored) throw new Error('the demo has a minibus')
  const imported = await importVehicle(db, JSON.stringify(stored.vehicle), { plate: `PUF ${made}` })
  if (!imported.ok) throw new Error('the minibus does not read')
  made++
  return openJob(db, { ...stored, id: imported.value.id }, `${today}T08:30:00Z`, {})
}
/** One that is planned and has its plate confirmed. */
async function begun(): Promise<string> {
  const jobId = await opensJob()
  const vehicle = (await findJob(db, jobId))?.vehicle
  if (!vehicle) throw new Error('a job has its vehicle')
  const work = workSchema.parse({ reason: 'service' })
  const shop = shopSchema.parse({ methods: ['two-person'] })
  await did(jobId, { type: 'checked-in', checkIn: { work, colour: 'brown', note: '' } })
  await did(jobId, { type: 'tested', tester: '', notTakenWhy: 'open' })
  await did(jobId, { type: 'planned', shop, plan: makePlan({ vehicle, work, shop }) })
  await did(jobId, { type: 'plate-confirmed' })
  return jobId
}
/** Through the steps until the reservoir can be topped up. */
async function untilPouring(jobId: string): Promise<string> {
  let state = await findJob(db, jobId)
  while (state && Object.keys(state.run?.levelMl ?? {}).length === 0) {
    const act = carefulAct(state)
    if (!act) throw new Error('nothing left to do')
    await did(jobId, act)
    state = await findJob(db, jobId)
  }
  return Object.keys(state?.run?.levelMl ?? {})[0] ?? ''
}
const can = async (sizeMl: number, more: object = {}) => {
  const added = await addContainers(
    db,
    { product: 'Test four', spec, batch: 'T1', sizeMl, count: 1, price: 10, ...more },
    'Una',
  )
  if (!added.ok) throw new Error(added.fault)
  return added.codes[0] ?? ''
}
const opened = (code: string) =>
  ({
    type: 'container-opened',
    container: { code, product: 'Test four', spec, batch: 'T1', sizeMl: 500 },
  }) as const
const leftIn = async (code: string) => (await findContainer(db, code))?.leftMl ?? Number.NaN
const movedIn = async (code: string) =>
  (await db.query<{ sum: number }>('select sum(ml) as sum from container_move where code = $1', [code]))[0]
    ?.sum

test('what is poured is held back no longer, whether acts are sent one by one or in one go', async () => {
  const reserved = async (jobId: string) =>
    (await db.query<{ ml: number }>('select sum(ml) as ml from reservation where job_id = $1', [jobId]))[0]
      ?.ml
  const first = await begun()
  const [held] = await db.query<{ code: string }>('select code from reservation where job_id = $1', [first])
  const code = held?.code ?? ''
  const planned = Number(await reserved(first))
  await did(first, opened(code))
  const reservoir = await untilPouring(first)
  await did(first, { type: 'topped-up', reservoir, ml: 60 })
  const left = Number(await reserved(first))
  expect(left).toBeCloseTo(planned - 60, 6)
  const rows = await db.query<{ body: JobEvent }>(
    'select body from job_event where job_id = $1 order by seq offset 1',
    [first],
  )
  const again = rows.map(({ body }, i) => ({ ...body, id: `in-one-go-${i}`.padEnd(16, '-') }))
  // The shelf as the first one found it.
  await db.query('delete from reservation where job_id = $1', [first])
  await db.query('update container set left_ml = left_ml + 60 where code = $1', [code])
  const second = await opensJob()
  expect(await appendEvents(db, second, again)).toMatchObject({ ok: true })
  expect(await reserved(second)).toBeCloseTo(left, 6)
  await db.query('delete from reservation where job_id = $1', [second])
})

test('what is poured is drawn from the container in use, taken back goes back, and the job knows batch and cost', async () => {
  const code = await can(500)
  const jobId = await begun()
  await did(jobId, opened(code))
  const reservoir = await untilPouring(jobId)
  const afterSteps = await leftIn(code)
  const poured = await did(jobId, { type: 'topped-up', reservoir, ml: 60 })
  expect(await leftIn(code)).toBeCloseTo(afterSteps - 60, 6)
  await did(jobId, { type: 'undone', event: poured.id })
  expect(await leftIn(code)).toBeCloseTo(afterSteps, 6)
  await did(jobId, { type: 'topped-up', reservoir, ml: 40 })
  const [used] = await pouredBy(db, jobId)
  expect(used).toMatchObject({ code, batch: 'T1' })
  expect(used?.cost).toBeCloseTo(((used?.ml ?? 0) / 500) * 10, 6)
  expect(await movedIn(code)).toBeCloseTo(await leftIn(code), 6)
  expect((await findContainer(db, code))?.openedOn).toBe(today)
})

test('two pours from two containers, both taken back: each gets its own', async () => {
  const [first, second] = [await can(500), await can(500)]
  const jobId = await begun()
  const reservoir = await untilPouring(jobId)
  await did(jobId, opened(first))
  const one = await did(jobId, { type: 'topped-up', reservoir, ml: 60 })
  const slip = await did(jobId, opened(second))
  const two = await did(jobId, { type: 'topped-up', reservoir, ml: 60 })
  expect([await leftIn(first), await leftIn(second)]).toEqual([440, 440])
  for (const { id } of [two, slip, one]) await did(jobId, { type: 'undone', event: id })
  expect([await leftIn(first), await leftIn(second)]).toEqual([500, 500])
})

test('more poured than the container held by the book is said at once, and the next one that is opened gave the rest', async () => {
  const [first, second] = [await can(500), await can(500)]
  const jobId = await begun()
  const reservoir = await untilPouring(jobId)
  await did(jobId, opened(first))
  await did(jobId, { type: 'topped-up', reservoir, ml: 80 })
  const owed = async () => (await findJob(db, jobId))?.containers.at(-1)?.beyondMl
  await did(jobId, { type: 'topped-up', reservoir, ml: 460, beyondMl: 7 })
  expect([await leftIn(first), await owed()]).toEqual([0, 40])
  const next = await did(jobId, opened(second))
  expect([await leftIn(second), await owed()]).toEqual([460, undefined])
  const poured = (await pouredBy(db, jobId)).reduce((sum, { ml }) => sum + ml, 0)
  expect(poured).toBeCloseTo(540, 6)
  // Taken back, it is owed again; that the first one held more than the book said is an answer too.
  await did(jobId, { type: 'undone', event: next.id })
  expect([await leftIn(second), await owed()]).toEqual([500, 40])
  await did(jobId, opened(first))
  expect(await owed()).toBeUndefined()
  expect((await findJob(db, jobId))?.containers).toHaveLength(1)
})

test('the next one does not hold the rest either: what is missing still is asked for', async () => {
  const [first, second] = [await can(100), await can(500, { openedOn: today, leftMl: 25 })]
  const jobId = await begun()
  const reservoir = await untilPouring(jobId)
  await did(jobId, opened(first))
  await did(jobId, { type: 'topped-up', reservoir, ml: 160 })
  await did(jobId, opened(second))
  expect([await leftIn(first), await leftIn(second)]).toEqual([0, 0])
  expect((await findJob(db, jobId))?.containers.map(({ beyondMl }) => beyondMl)).toEqual([undefined, 35])
})

test('poured from a container that is not on the shelf, nothing on the shelf is drawn from, nor given back', async () => {
  const code = await can(500)
  const jobId = await begun()
  const reservoir = await untilPouring(jobId)
  await did(jobId, opened(code))
  await did(jobId, { type: 'topped-up', reservoir, ml: 60 })
  await did(jobId, { type: 'container-opened', container: { spec, batch: 'from the van' } })
  const pour = await did(jobId, { type: 'topped-up', reservoir, ml: 60 })
  expect(await leftIn(code)).toBe(440)
  await did(jobId, { type: 'undone', event: pour.id })
  expect(await leftIn(code)).toBe(440)
})

test('opened by a slip and taken back before anything was poured, it is as sealed as it was', async () => {
  const code = await can(500)
  const jobId = await begun()
  const slip = await did(jobId, opened(code))
  expect((await findContainer(db, code))?.openedOn).toBe(today)
  await did(jobId, { type: 'undone', event: slip.id })
  expect((await findContainer(db, code))?.openedOn).toBeUndefined()
})

test('two jobs that pour from one container at once never take it below nothing, and not a millilitre is made or lost', async () => {
  const code = await can(300)
  const jobs = [await begun(), await begun()]
  const reservoirs: string[] = []
  for (const jobId of jobs) {
    reservoirs.push(await untilPouring(jobId))
    await did(jobId, opened(code))
  }
  const amounts = fc.sample(fc.integer({ min: 5, max: 40 }), 40)
  await Promise.all(
    amounts.map((ml, i) =>
      did(jobs[i % 2] ?? '', { type: 'topped-up', reservoir: reservoirs[i % 2] ?? '', ml }),
    ),
  )
  const poured = amounts.reduce((sum, ml) => sum + ml, 0)
  const [moves] = await db.query<{ drawn: number; short: number }>(
    "select -sum(ml) filter (where what = 'drawn') as drawn, sum(short_ml) as short from container_move where code = $1",
    [code],
  )
  expect(poured).toBeGreaterThan(300)
  expect(await leftIn(code)).toBe(0)
  expect(moves?.drawn).toBeCloseTo(300, 6)
  expect((moves?.drawn ?? 0) + (moves?.short ?? 0)).toBeCloseTo(poured, 6)
})

test('the wrong kind, an unknown code, one that is open too long, and a label that lies are refused with why', async () => {
  const jobId = await begun()
  const silicone = (await containersFor(db)).find((each) => each.spec === 'DOT 5')
  const refusal = async (container: object) => {
    const { answer } = await send(jobId, { type: 'container-opened', container } as Unstamped<JobEvent>)
    return answer.ok ? undefined : answer.refusal
  }
  const of = (more: object) => ({ spec, batch: '', ...more })
  expect(await refusal(of({ code: silicone?.code, spec: 'DOT 5' }))).toMatchObject({
    code: 'wrong-container',
    params: expect.objectContaining({ mixes: false }),
  })
  expect((await refusal(of({ code: silicone?.code })))?.code).toBe('wrong-container')
  expect((await refusal(of({ code: codeFrom([1, 2, 3, 4, 5, 6]) })))?.code).toBe('no-such-container')
  const allowed = (await containersFor(db)).find((each) => each.spec === 'DOT 5.1')
  expect(await refusal(of({ code: allowed?.code }))).toMatchObject({
    params: expect.objectContaining({ held: 'DOT 5.1' }),
  })
  const old = await can(500, { openedOn: '2026-03-01', leftMl: 200 })
  expect(await refusal(of({ code: old }))).toMatchObject({
    code: 'opened-too-long',
  })
  await saveShelfSettings(db, { rule: 'same-job', money: '', drumMl: 10_000 })
  const fresh = await can(500, { openedOn: today, leftMl: 400 })
  expect((await refusal(of({ code: fresh })))?.code).toBe('opened-too-long')
  await saveShelfSettings(db, { rule: 'thirty-days', money: '', drumMl: 10_000 })
  expect(await refusal(of({ code: fresh }))).toBeUndefined()
})

test('a plan that is taken holds its fluid back from others until it is poured or filed', async () => {
  const free = async () =>
    (await containersFor(db))
      .filter((each) => each.spec === spec)
      .reduce((sum, each) => sum + each.leftMl - each.reservedMl, 0)
  await can(1000)
  const before = await free()
  const jobId = await begun()
  const held = before - (await free())
  const plan = (await findJob(db, jobId))?.planned?.plan
  expect(held).toBeGreaterThan(0)
  expect(held).toBeLessThanOrEqual((plan?.fluid.totalMl ?? 0) + 1e-6)
  const own = (await containersFor(db, jobId)).reduce((sum, each) => sum + each.reservedMl, 0)
  const others = (await containersFor(db)).reduce((sum, each) => sum + each.reservedMl, 0)
  expect(others - own).toBeCloseTo(held, 6)
  await did(jobId, { type: 'filed', outcome: 'not-fit', doneBy: 'Una', note: 'left', wasteMl: 120 })
  expect(await free()).toBeCloseTo(before, 6)
})

test('used fluid fills the drum of its kind and is handed over whole against a paper', async () => {
  const [glycol] = await drums(db, 10_000, today)
  expect(glycol?.kind).toBe('glycol')
  expect(glycol?.jobs.reduce((sum, { ml }) => sum + ml, 0)).toBeCloseTo(glycol?.ml ?? 0, 6)
  await handOver(db, 'glycol', today, 'W-17', 'Una')
  const [after] = await drums(db, 10_000, today)
  expect(after).toMatchObject({ ml: 0, jobs: [], handedOver: [{ paper: 'W-17', ml: glycol?.ml }] })
  await handOver(db, 'glycol', today, 'W-18', 'Una')
  expect((await drums(db, 10_000, today))[0]?.handedOver).toHaveLength(1)
})

test('thrown away or corrected, the moves still add up to what is left', async () => {
  const [a, b] = [await can(400), await can(400)]
  expect(await correctLeft(db, a, 150, 'Una')).toBeUndefined()
  expect(await correctLeft(db, a, 500, 'Una')).toContain('400 mL when full')
  await throwAway(db, b, today, 'Una')
  for (const code of [a, b]) expect(await movedIn(code)).toBeCloseTo(await leftIn(code), 6)
  expect((await containersFor(db)).some(({ code }) => code === b)).toBe(false)
  const other = await addContainers(
    db,
    { product: 'Test four', spec: 'DOT 3', batch: '', sizeMl: 500, count: 1 },
    'Una',
  )
  expect(other).toMatchObject({ ok: false, fault: expect.stringContaining('another name') })
})

test('a label’s barcode is read back as its code (ZXing, library)', async () => {
  for (const numbers of fc.sample(fc.array(fc.nat(1000), { minLength: 6, maxLength: 6 }), 20)) {
    const code = codeFrom(numbers)
    const { width, height, data } = PNG.sync.read(await barcodePng(code))
    const grey = Uint8ClampedArray.from({ length: width * height }, (_, i) => data[i * 4] ?? 0)
    const bitmap = new BinaryBitmap(new GlobalHistogramBinarizer(new RGBLuminanceSource(grey, width, height)))
    expect(readCode(new MultiFormatReader().decode(bitmap, new Map()).getText())).toBe(code)
  }
})
