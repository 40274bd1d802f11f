import ICAL from 'ical.js'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { monthsAfter } from '~core/base/day'
import { usualPolicy } from '~core/fluid/policy/policy'
import type { JobEvent } from '~core/job/events'
import { showIn } from '~core/units/show'
import { metricUnits } from '~core/units/units'
import type { Database } from '~server/db/database.server'
import { calendarSecret, isCalendarSecret, renewCalendarSecret } from '~server/store/calendar.server'
import { dueBetween, dueCounts, dueList, withoutDue } from '~server/store/due.server'
import { exchangesOf, readingsOf } from '~server/store/fluid.server'
import { fluidNow } from '~server/store/fluid-histories.server'
import type { OpenFollowUp } from '~server/store/follow-ups.server'
import { filedJobs } from '~server/store/jobs.server'
import { savePolicy } from '~server/store/policy.server'
import { findVehicle, listVehicles } from '~server/store/vehicles.server'
import { demoOn } from '~test/worlds/store'
import { appendEvents } from './append.server'
import { dueCalendar } from './due-calendar.server'
import { addExchange, addReading, saveHardUse } from './fluid-history.server'
import { openJob } from './open-job.server'
import { workOutAllDue } from './work-out-due.server'

const today = '2026-05-04'
let db: Database
beforeAll(async () => {
  db = await demoOn(today)
})
afterAll(() => db.close())

const idOf = async (plate: string) => (await listVehicles(db)).find((each) => each.plate === plate)?.id ?? ''
const dueOn = async (plate: string) => (await dueList(db)).find((each) => each.plate === plate)
const opened = async (plate: string) => {
  const stored = await findVehicle(db, await idOf(plate))
  if (!stored) throw new Error(`no vehicle ${plate}`)
  return openJob(db, stored, `${today}T09:00:00Z`, {})
}
const told = (id: string, act: object) =>
  ({ id: id.padEnd(16, '-'), at: `${today}T09:01:00.000Z`, ...act }) as JobEvent
const checkedIn = told('in', {
  type: 'checked-in',
  checkIn: {
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
    odometerKm: 900,
    note: '',
  },
})
const tested = told('test', {
  type: 'tested',
  tester: '',
  readings: [{ tester: 'percent-meter', value: 5, at: 'caliper' }],
})

test('a job that bled every bleeder and was filed as fit is an exchange, with its distance; a corner alone is none', async () => {
  const [van, charabanc] = [await idOf('GNT 107'), await idOf('MRM 61')]
  const byJob = (await exchangesOf(db, van)).filter(({ job_id }) => job_id !== null)
  expect(byJob).toMatchObject([{ done_on: '2024-04-04', km: 61_200, spec: 'DOT 4' }])
  expect(await exchangesOf(db, charabanc)).toEqual([])
  expect((await filedJobs(db)).filter(({ vehicle_id }) => vehicle_id === charabanc)).toHaveLength(1)
})

test('a vehicle is due by the rule that comes first, and the stored day is what that rule says', async () => {
  const [exchange] = (await exchangesOf(db, await idOf('SKU 30'))).slice(-1)
  expect(await dueOn('SKU 30')).toMatchObject({
    rule: 'time',
    likely: monthsAfter(exchange?.done_on ?? '', 12),
  })
  expect((await withoutDue(db, 9)).first.map(({ plate }) => plate)).toEqual(['SKU 77'])
})

test('spans of the list hold every vehicle once, counted as they are listed', async () => {
  const starts = ['0001-01-01', '2026-05-05', '2026-11-04', '2027-05-04']
  const spans = await Promise.all(
    starts.map((from, i) => dueBetween(db, from, starts[i + 1] ?? '9999-12-31', 100)),
  )
  expect(await dueCounts(db, starts)).toEqual(spans.map(({ length }) => length))
  expect(spans.flat()).toEqual(await dueList(db))
})

test('another policy moves the whole list, and back again', async () => {
  const before = await dueList(db)
  await savePolicy(db, { all: { time: 36 }, others: [] })
  await workOutAllDue(db, today)
  expect(await dueOn('SKU 30')).toMatchObject({ rule: 'time', limit_value: 36 })
  await savePolicy(db, usualPolicy)
  await workOutAllDue(db, today)
  expect(await dueList(db)).toEqual(before)
})

test('a reading moves with its job to the right vehicle, and both are due as they then stand', async () => {
  const jobId = await opened('TRN 5')
  const [taxi, minibus] = [await dueOn('TRN 5'), await dueOn('PUF 18')]
  expect((await appendEvents(db, jobId, [checkedIn, tested])).ok).toBe(true)
  expect(await dueOn('TRN 5')).toMatchObject({ likely: today })
  const right = await findVehicle(db, await idOf('PUF 18'))
  const moved = told('moved', {
    type: 'vehicle-moved',
    from: { vehicleId: taxi?.id, plate: 'TRN 5', name: 'taxi' },
    vehicleId: right?.id,
    plate: 'PUF 18',
    vehicle: right?.vehicle,
    why: 'wrong one',
  })
  expect((await appendEvents(db, jobId, [moved])).ok).toBe(true)
  const { job_id: _job, ...asBefore } = (await dueOn('TRN 5')) ?? {}
  expect(taxi).toMatchObject(asBefore)
  expect(await dueOn('PUF 18')).toMatchObject({ likely: today })
  expect(minibus?.likely === today).toBe(false)
})

test('corrected in the job, a reading is corrected in the history too', async () => {
  const jobId = await opened('GNT 33')
  const id = await idOf('GNT 33')
  const before = (await readingsOf(db, id)).length
  const again = told('again', {
    type: 'tested',
    tester: '',
    readings: [{ tester: 'percent-meter', value: 1, at: 'caliper' }],
  })
  await appendEvents(db, jobId, [checkedIn, tested, again])
  const readings = await readingsOf(db, id)
  expect(readings).toHaveLength(before + 1)
  expect(readings.find(({ job_id }) => job_id === jobId)?.water_pct).toBe(1)
})

test('hard use brings the day forward, and a day set by hand counts beside the rules', async () => {
  const id = await idOf('PUF 18')
  const before = (await dueOn('PUF 18'))?.earliest ?? ''
  await saveHardUse(db, id, ['track'], today)
  expect(((await dueOn('PUF 18'))?.earliest ?? '') <= before).toBe(true)
  const jobId = await opened('SKU 77')
  const filed = told('filed', {
    type: 'filed',
    outcome: 'kept',
    doneBy: 'Una',
    note: '',
    wasteMl: 0,
    nextDue: '2026-08-01',
    nextDueByHand: true,
  })
  await appendEvents(
    db,
    jobId,
    [checkedIn, told('test', { ...tested, id: undefined, readings: [] }), filed].map((event, i) => ({
      ...event,
      id: `by-hand-${i}`.padEnd(16, '-'),
    })),
  )
  expect(await dueOn('SKU 77')).toMatchObject({ rule: 'promised', likely: '2026-08-01' })
})

test('what is written down from before counts like any other', async () => {
  const id = await idOf('SKU 77')
  await addExchange(db, id, { doneOn: '2025-05-01', spec: 'DOT 4', by: 'Una' }, today)
  await addReading(
    db,
    id,
    {
      tester: 'boiling-sampler',
      value: 170,
      at: 'caliper',
      takenOn: '2026-01-01',
      by: 'Una',
      spec: 'DOT 4',
      heightM: 0,
    },
    today,
  )
  const now = (await fluidNow(db, [id], today)).get(id)
  expect(now?.history).toMatchObject({ exchangedOn: '2025-05-01', readings: [{ date: '2026-01-01' }] })
})

describe('the calendar', () => {
  const read = (fluid: Awaited<ReturnType<typeof dueList>>, again: readonly OpenFollowUp[] = []) =>
    new ICAL.Component(ICAL.parse(dueCalendar({ fluid, again }, showIn(metricUnits), 'http://shop.example')))
      .getAllSubcomponents('vevent')
      .map((each) => new ICAL.Event(each))

  test('reads back as the due list, a whole day each (ical.js, library)', async () => {
    const rows = await dueList(db)
    const events = read(rows)
    expect(events.map(({ startDate }) => startDate.toString())).toEqual(rows.map(({ likely }) => likely))
    expect(events.every(({ startDate, duration }) => startDate.isDate && duration.toString() === 'P1D')).toBe(
      true,
    )
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(rows.length)
    expect(events[0]?.summary).toBe(`${rows[0]?.plate}: brake fluid due`)
  })

  test('a look that is owed after a job is an entry of its own', () => {
    const owed = {
      job_id: 'j',
      kind: 'pedal',
      due_on: '2026-12-05',
      vehicle_id: 'v',
      plate: 'ISL 4',
      name: 'Van',
      count: 1,
    }
    const [event] = read([], [owed])
    expect(event?.startDate.toString()).toBe('2026-12-05')
    expect(event?.summary).toBe('ISL 4: pedal after a week of standing')
  })

  test('a name with commas, semicolons, line breaks and letters of any kind comes back whole', async () => {
    const [row] = await dueList(db)
    if (!row) throw new Error('something is due')
    const plate = 'Ö1; "a",\\n\nb€'
    expect(read([{ ...row, plate }])[0]?.summary).toBe(`${plate}: brake fluid due`)
  })

  test('is for whoever holds its secret, and a new one ends the old', async () => {
    const secret = await calendarSecret(db)
    expect(await isCalendarSecret(db, secret)).toBe(true)
    expect(await isCalendarSecret(db, `${secret.slice(0, -1)}!`)).toBe(false)
    await renewCalendarSecret(db)
    expect(await isCalendarSecret(db, secret)).toBe(false)
  })
})
