import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { replay } from '~core/job/apply'
import type { CheckIn } from '~core/job/events'
import { makePlan } from '~core/plan/plan'
import { shopSchema, workSchema } from '~core/plan/request'
import { allBleeders } from '~core/vehicle/parts'
import type { Database } from '~server/db/database.server'
import { migrate } from '~server/db/migrate.server'
import { openPglite } from '~server/db/pglite.server'
import { learnedOf } from '~server/services/learned.server'
import { openData } from '~server/services/open-data.server'
import { cabCodeOf, joinCab, newCabCode } from '~server/store/cab.server'
import { comebacksOf, filedJobs, findJob, jobTrace, openJobs } from '~server/store/jobs.server'
import {
  findVehicle,
  importVehicle,
  listVehicles,
  saveVehicleVersion,
  vehicleFileText,
  versionsOf,
} from '~server/store/vehicles.server'
import { buildOfTests } from '~test/worlds/store'
import { loadDemoWorld } from '../../demo/load'
import { appendEvents } from './append.server'
import { openJob } from './open-job.server'

const folder = mkdtempSync(join(tmpdir(), 'siphon-test-'))
let db: Database

beforeAll(async () => {
  const fresh = await openPglite()
  await migrate(fresh)
  freshSchema = await schemaOf(fresh)
  await fresh.close()
  db = (await openData(join(folder, 'data'), buildOfTests())).db
  await loadDemoWorld(db, new Date('2026-05-04T08:00:00Z'))
})
afterAll(async () => {
  await db.close()
  rmSync(folder, { recursive: true, force: true })
})

let freshSchema: unknown
const schemaOf = (queries: Pick<Database, 'query'>) =>
  queries.query(
    "select table_name, column_name, data_type, is_nullable from information_schema.columns where table_schema = 'public' order by 1, 2",
  )

test('a start from the snapshot has the very schema of a fresh migration', async () => {
  expect(await schemaOf(db)).toEqual(freshSchema)
})

test('the demo world is there: eight vehicles, three open jobs, three filed ones', async () => {
  expect(await listVehicles(db)).toHaveLength(8)
  expect((await openJobs(db)).map((job) => job.station).sort()).toEqual(['bleed', 'check-in', 'plan'])
  expect((await filedJobs(db)).map((job) => job.outcome)).toEqual(['fit', 'fit', 'fit'])
})

test('a vehicle file comes out as it went in, to the letter', async () => {
  const text = readFileSync(new URL('../../demo/vehicles/charabanc.json', import.meta.url), 'utf8')
  const imported = await importVehicle(db, text, { plate: 'TST 1' })
  if (!imported.ok) throw new Error('the demo file must import')
  expect(await vehicleFileText(db, imported.value.id)).toBe(text)
  await db.query('delete from vehicle_version where vehicle_id = $1', [imported.value.id])
  await db.query('delete from vehicle where id = $1', [imported.value.id])
})

describe('what jobs learned of a vehicle', () => {
  const vanId = async () => (await listVehicles(db)).find(({ plate }) => plate === 'GNT 107')?.id ?? ''

  test('is what went through each bleeder of the last one that was filed as fit', async () => {
    const learned = await learnedOf(db, await vanId())
    expect(learned.map(({ kind, bleeder }) => `${kind} ${bleeder}`)).toEqual([
      'volume FL',
      'volume FR',
      'volume RL',
      'volume RR',
    ])
    for (const { value } of learned) expect(value).toBeGreaterThan(10)
  })

  test('is a bleeder that was seized, but not one whose trouble was taken back, nor a job’s own for itself', async () => {
    const jobId = (await openJobs(db)).find((job) => job.station === 'bleed')?.id ?? ''
    const state = await findJob(db, jobId)
    const stageRun = state?.run?.stages[state.run.stageIndex]
    const point = stageRun?.points.filter((id) => !stageRun.at[id]?.finished).at(-1) ?? ''
    const at = '2026-05-04T08:30:00.000Z'
    const said = {
      id: 'database-test-seized',
      at,
      type: 'trouble' as const,
      trouble: { what: 'seized' as const, point },
    }
    expect(await appendEvents(db, jobId, [said])).toMatchObject({ ok: true })
    const seized = async (besides?: string) =>
      (await learnedOf(db, await vanId(), besides)).filter(({ kind }) => kind === 'seized')
    expect(await seized()).toMatchObject([{ bleeder: point, jobId }])
    expect(await seized(jobId)).toEqual([])
    await appendEvents(db, jobId, [{ id: 'database-test-undone', at, type: 'undone', event: said.id }])
    expect(await seized()).toEqual([])
  })
})

describe('versions of a vehicle', () => {
  test('a save is a version more with who saved it, and what does not read changes nothing', async () => {
    const id = (await listVehicles(db)).find(({ plate }) => plate === 'MRM 61')?.id ?? ''
    const before = await vehicleFileText(db, id)
    expect(await saveVehicleVersion(db, id, '{"format": 1}', 'Osk Teller')).toMatchObject({ ok: false })
    expect(await versionsOf(db, id)).toHaveLength(1)
    const changed = JSON.stringify({ ...JSON.parse(before ?? ''), name: 'Charabanc, newly piped' })
    expect(await saveVehicleVersion(db, id, changed, 'Osk Teller')).toEqual({
      ok: true,
      value: { version: 2 },
    })
    expect(await versionsOf(db, id)).toMatchObject([{ version: 2, saved_by: 'Osk Teller' }, { version: 1 }])
    expect((await findVehicle(db, id))?.name).toBe('Charabanc, newly piped')
    await saveVehicleVersion(db, id, before ?? '', 'Osk Teller')
  })
})

describe('events of a job', () => {
  const spill = (id: string) => ({
    id: `database-test-${id}`,
    at: '2026-05-04T09:00:00.000Z',
    type: 'trouble' as const,
    trouble: { what: 'spilled' as const, ml: 5, on: 'floor' as const },
  })
  const bleeding = async () => (await openJobs(db)).find((job) => job.station === 'bleed')?.id ?? ''

  test('recorded twice are there once, and ordered without a gap', async () => {
    const jobId = await bleeding()
    const before = await jobTrace(db, jobId)
    await appendEvents(db, jobId, [spill('0001')])
    const again = await appendEvents(db, jobId, [spill('0001'), spill('0002')])
    expect(again.ok && again.state.length).toBe(before.length + 2)
    const rows = await db.query<{ seq: number }>('select seq from job_event where job_id = $1 order by seq', [
      jobId,
    ])
    expect(rows.map((row) => row.seq)).toEqual(rows.map((_, i) => i + 1))
  })

  test('sent at once by many are all there', async () => {
    const jobId = await bleeding()
    const before = (await jobTrace(db, jobId)).length
    await Promise.all(Array.from({ length: 20 }, (_, i) => appendEvents(db, jobId, [spill(`many-${i}`)])))
    expect((await findJob(db, jobId))?.length).toBe(before + 20)
  })

  test('that cannot follow leave nothing behind, not even the good ones sent with them', async () => {
    const jobId = await bleeding()
    const before = await findJob(db, jobId)
    const refused = await appendEvents(db, jobId, [
      spill('good-one'),
      { id: 'database-test-bad-one', at: '2026-05-04T09:00:00.000Z', type: 'bleed-again', why: 'soft' },
    ])
    expect(refused).toMatchObject({ ok: false, code: 'refused' })
    expect(await findJob(db, jobId)).toEqual(before)
  })

  test('of a job that is not there are refused', async () => {
    expect(await appendEvents(db, 'nobody', [spill('lost')])).toMatchObject({ ok: false, code: 'not-found' })
  })
})

describe('a filed record', () => {
  const event = { at: '2026-05-04T10:00:00.000Z', by: { id: 'una', name: 'Una Brack' } }

  test('is what was signed, whatever the program makes of the events later; what is added stands beside it', async () => {
    const [row] = await filedJobs(db)
    const jobId = row?.id ?? ''
    await db.query(
      "update record set state = jsonb_set(state::jsonb, '{plate}', '\"AS SIGNED\"')::json where job_id = $1",
      [jobId],
    )
    expect((await findJob(db, jobId))?.plate).toBe('AS SIGNED')
    const added = {
      ...event,
      id: 'database-test-addendum',
      type: 'addendum' as const,
      text: 'One cap was missing.',
    }
    expect((await appendEvents(db, jobId, [added])).ok).toBe(true)
    expect((await findJob(db, jobId))?.addenda.at(-1)).toMatchObject(added)
    const changed = {
      ...event,
      id: 'database-test-too-late',
      type: 'level-read' as const,
      reservoir: 'reservoir',
      ml: 1,
    }
    expect(await appendEvents(db, jobId, [changed])).toMatchObject({ refusal: { code: 'job-filed' } })
  })
})

describe('what lists show of a job goes with its events, in one transaction', () => {
  const by = { id: 'una', name: 'Una Brack' }
  const stamp = (id: string) => ({
    id: `database-list-${id}`.padEnd(20, '0'),
    at: '2026-05-04T11:00:00.000Z',
    by,
  })
  const checkIn: CheckIn = {
    work: {
      reason: 'service',
      opened: [],
      replaced: [],
      ranDry: false,
      systemEmpty: false,
      padWearMm: {},
      ways: [],
    },
    colour: 'brown',
    note: '',
    bay: 'Bay 7',
  }
  const rowOf = async (jobId: string) => (await openJobs(db)).find(({ id }) => id === jobId)
  const vehicles = async () => {
    const [one, other] = await Promise.all((await listVehicles(db)).map(({ id }) => findVehicle(db, id)))
    if (!one || !other) throw new Error('the demo world has several vehicles')
    return [one, other] as const
  }

  test('one vehicle, one state: while a job of it stands half done, no other is begun on it; once that is filed, what it left goes along', async () => {
    const [, one] = await vehicles()
    const bleeder = allBleeders(one.vehicle)[0]?.bleeder.id ?? ''
    const planned = async (tag: string) => {
      const jobId = await openJob(db, one, '2026-05-04T12:00:00.000Z', { by })
      const work = workSchema.parse({ reason: 'service' })
      const shop = shopSchema.parse({ methods: ['two-person'] })
      const plan = makePlan({ vehicle: one.vehicle, work, shop })
      const acts = [
        {
          ...stamp(`${tag}-in`),
          type: 'checked-in' as const,
          checkIn: { work, colour: 'brown' as const, note: '' },
        },
        { ...stamp(`${tag}-test`), type: 'tested' as const, tester: '', notTakenWhy: 'open' },
        { ...stamp(`${tag}-plan`), type: 'planned' as const, shop, plan },
      ]
      const taken = await appendEvents(db, jobId, acts)
      if (!taken.ok) throw new Error(taken.refusal.code)
      return jobId
    }
    const begin = (jobId: string, tag: string) =>
      appendEvents(db, jobId, [{ ...stamp(`${tag}-plate`), type: 'plate-confirmed' }])
    const [first, second] = [await planned('one'), await planned('two')]
    const begun = await begin(first, 'one')
    expect(begun.ok ? '' : begun.refusal.code).toBe('')
    expect(await begin(second, 'two')).toMatchObject({
      ok: false,
      refusal: { code: 'stands-in-other-job' },
    })
    const left = {
      ...stamp('one-left'),
      type: 'parked' as const,
      why: 'goes on a transporter',
      standsOpen: [bleeder],
      machineOn: false,
      pedalPropped: false,
      note: '',
    }
    const filed = {
      ...stamp('one-filed'),
      type: 'filed' as const,
      outcome: 'not-fit' as const,
      doneBy: 'Una',
      note: 'open',
      wasteMl: 0,
    }
    expect(await appendEvents(db, first, [left, filed])).toMatchObject({ ok: true })
    expect(await begin(second, 'two')).toMatchObject({ ok: true })
    const third = await findJob(db, await openJob(db, one, '2026-05-05T08:00:00.000Z', { by }))
    expect(third?.standing.open).toEqual([{ point: bleeder, how: 'named' }])
  })

  test('its bay, that it is parked, and the vehicle it was moved to', async () => {
    const [one, other] = await vehicles()
    const jobId = await openJob(db, one, '2026-05-04T11:00:00.000Z', { by })
    await appendEvents(db, jobId, [{ ...stamp('in'), type: 'checked-in', checkIn }])
    expect(await rowOf(jobId)).toMatchObject({ bay: 'Bay 7', plate: one.plate, parked_at: null })
    const parked = {
      ...stamp('park'),
      type: 'parked' as const,
      why: 'phone',
      standsOpen: [],
      machineOn: false,
      pedalPropped: false,
      note: '',
    }
    await appendEvents(db, jobId, [parked])
    expect((await rowOf(jobId))?.parked_at).toBe(parked.at)
    const resumed = {
      ...stamp('back'),
      type: 'resumed' as const,
      asLeft: true,
      pedalCameUp: false,
      found: '',
    }
    const moved = {
      ...stamp('move'),
      type: 'vehicle-moved' as const,
      from: { vehicleId: one.id, plate: one.plate, name: one.name },
      vehicleId: other.id,
      plate: other.plate,
      vehicle: other.vehicle,
      why: 'wrong one picked',
    }
    await appendEvents(db, jobId, [resumed, moved])
    expect(await rowOf(jobId)).toMatchObject({
      vehicle_id: other.id,
      plate: other.plate,
      parked_at: null,
      bay: '',
    })
  })

  test('one that came back is found from the one it came back from', async () => {
    const [one] = await vehicles()
    const [filed] = await filedJobs(db)
    const jobId = await openJob(db, one, '2026-05-04T12:00:00.000Z', { by, comebackOf: filed?.id })
    expect((await comebacksOf(db, filed?.id ?? '')).map(({ id }) => id)).toEqual([jobId])
    expect((await findJob(db, jobId))?.comebackOf).toBe(filed?.id)
  })

  test('the job that is remembered is the job that its events give', async () => {
    const jobId = (await openJobs(db)).find((job) => job.station === 'bleed')?.id ?? ''
    const remembered = await findJob(db, jobId)
    expect(replay((await jobTrace(db, jobId)).map(({ event }) => event))).toEqual(remembered)
  })
})

test('a cab code links one phone, once, and no more after ten minutes', async () => {
  const [job] = await openJobs(db)
  const at = (minutes: number) => new Date(Date.parse('2026-05-04T08:00:00Z') + minutes * 60_000)
  const late = await newCabCode(db, job?.id ?? '', at(0))
  expect(await joinCab(db, late, at(11))).toBeUndefined()
  expect(await cabCodeOf(db, job?.id ?? '', at(11))).toBeUndefined()
  const code = await newCabCode(db, job?.id ?? '', at(20))
  expect(await cabCodeOf(db, job?.id ?? '', at(21))).toEqual({ code, until: at(30).toISOString() })
  expect(await joinCab(db, code, at(29))).toMatchObject({ jobId: job?.id })
  expect(await joinCab(db, code, at(29))).toBeUndefined()
})
