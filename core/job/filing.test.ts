import { describe, expect, test } from 'vitest'
import { osk, ScriptedJob, una } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { workSchema } from '../plan/request'
import { stationOf } from './selectors'
import { jobTally, wasteMl } from './tally'

const vehicle = vehicleFrom(carFile(fourCorners.slice(2)))
const other = vehicleFrom(carFile(fourCorners, { name: 'The other one' }))
const planned = () => ScriptedJob.planned(vehicle, { reason: 'service' }, ['two-person'], 300)
const file = (outcome: 'fit' | 'not-fit' | 'declined' | 'kept', more: object = {}) =>
  ({ type: 'filed', outcome, doneBy: 'Una Brack', note: '', wasteMl: 0, ...more }) as const

describe('filing', () => {
  test('checked by is another person, or nobody', () => {
    const job = planned().bledToTheEnd().proved()
    expect(job.refusal(file('fit', { checkedBy: una }))).toBe('checked-by-same')
    expect(job.refusal(file('fit', { checkedBy: osk }))).toBeUndefined()
    expect(job.refusal(file('fit'))).toBeUndefined()
  })

  test('the customer declined: with a note, and only while nothing was touched', () => {
    const job = new ScriptedJob().do({ type: 'job-opened', vehicleId: 'v', plate: 'ISL 4', vehicle })
    expect(job.refusal(file('declined'))).toBe('note-missing')
    expect(job.refusal(file('declined', { note: 'signed, wants it in spring' }))).toBeUndefined()
    expect(planned().refusal(file('declined', { note: 'too dear' }))).toBe('work-begun')
  })

  test('the fluid is kept: tested, for a routine exchange alone, and only while nothing was touched', () => {
    const service = workSchema.parse({ reason: 'service' })
    const job = ScriptedJob.checkedIn(vehicle, service)
    expect(job.refusal(file('kept'))).toBeUndefined()
    expect(planned().refusal(file('kept'))).toBe('work-begun')
    const repair = ScriptedJob.checkedIn(vehicle, { ...service, reason: 'repair' })
    expect(repair.refusal(file('kept'))).toBe('kept-not-a-service')
    const opened = new ScriptedJob().do({ type: 'job-opened', vehicleId: 'v', plate: 'ISL 4', vehicle })
    expect(opened.refusal(file('kept'))).toBe('kept-not-tested')
  })

  test('not fit with a bleeder open: only parked, with what stands open named', () => {
    const job = planned().until(({ run }) => run.call === 'open')
    expect(job.refusal(file('not-fit'))).toBe('not-fit-open')
    job.do({
      type: 'parked',
      why: 'leaves on a transporter',
      standsOpen: ['rr'],
      machineOn: false,
      pedalPropped: true,
      note: '',
    })
    expect(job.refusal(file('not-fit'))).toBeUndefined()
    expect(job.refusal(file('fit'))).toBe('fit-parked')
  })

  test('the drum gets what came out and what was drawn; what was spilled never reached it', () => {
    const job = planned().until(({ run }) => run.stages[1]?.at.rr?.finished === true)
    job.trouble({ what: 'spilled', ml: 80, on: 'floor' })
    const { outMl, drawnMl, spilledMl } = jobTally(job.state)
    expect(spilledMl).toBe(80)
    expect(wasteMl(jobTally(job.state))).toBe(outMl + drawnMl)
  })
})

describe('the wrong vehicle was picked', () => {
  const moved = {
    type: 'vehicle-moved',
    from: { vehicleId: 'v', plate: 'ISL 4', name: 'Test car' },
    vehicleId: 'w',
    plate: 'ISL 5',
    vehicle: other,
    why: 'two of the same van in the yard',
  } as const

  test('the job goes to the right one, is checked in there anew, and keeps what it moved and where it stood', () => {
    const job = planned().until(({ run }) => run.stages[1]?.at.rr?.finished === true)
    const before = jobTally(job.state)
    job.do(moved)
    expect(stationOf(job.state)).toBe('check-in')
    expect(job.state).toMatchObject({ plate: 'ISL 5', vehicleId: 'w', movedFrom: [{ plate: 'ISL 4' }] })
    expect(jobTally(job.state)).toEqual(before)
    expect(job.replayed()).toEqual(job.state)
  })

  test('never with a call under way, and never onto itself', () => {
    const job = planned().until(({ run }) => run.call === 'open')
    expect(job.refusal(moved)).toBe('move-under-way')
    expect(planned().refusal({ ...moved, vehicleId: 'v' })).toBe('same-vehicle')
  })
})
