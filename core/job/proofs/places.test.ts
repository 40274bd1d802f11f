import { describe, expect, test } from 'vitest'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { sayMetric } from '../../words'
import { filingRefusal } from '../filing'
import { checksFor, shownByProofs } from './checks'
import { GOOD, placesLeft } from './places'

const bled = (wheelsOff?: string[]) =>
  ScriptedJob.planned(
    vehicleFrom(carFile(fourCorners)),
    { reason: 'service', ...(wheelsOff && { wheelsOff }) },
    ['two-person'],
    380,
  ).bledToTheEnd()
const wheel = (place: string, is = GOOD) =>
  ({ type: 'place-looked', check: 'wheels-free', place, is }) as const
const nuts = (place: string) => ({ type: 'place-looked', check: 'wheel-nuts', place, is: GOOD }) as const
const passed = (check: string) => ({ type: 'check-proved', check, passed: true, note: '' }) as const
const left = (job: ScriptedJob, id: string) =>
  placesLeft(job.state, checksFor(job.state).find((check) => check.id === id) as never).map(
    (place) => place.id,
  )

describe('wheels are tried one by one', () => {
  test('they turn free for nobody before each of them was tried', () => {
    const job = bled().proved('wheels-free')
    for (const brake of ['brake-rr', 'brake-rl', 'brake-fr']) job.do(wheel(brake))
    expect(job.refusal(passed('wheels-free'))).toBe('place-first')
    expect(job.do(wheel('brake-fl')).refusal(passed('wheels-free'))).toBeUndefined()
  })
  test('one that stays on takes the proof back, with all that was proved after it, and is where the search begins', () => {
    const job = bled().proved()
    expect(filingRefusal(job.state, 'fit')).toBeUndefined()
    job.do(wheel('brake-rl', 'stays-on'))
    expect(job.state.proofs['road-test']).toBeUndefined()
    expect(filingRefusal(job.state, 'fit')?.code).toBe('fit-not-proved')
    job.do({ ...passed('wheels-free'), passed: false })
    expect(shownByProofs(job.state)).toContainEqual({ check: 'return', result: 'does-not', at: 'brake-rl' })
  })
  test('bled again they are tried again', () => {
    const job = bled().proved()
    expect(left(job, 'wheels-free')).toEqual([])
    job.do({ type: 'bleed-again', why: 'soft' }).bledToTheEnd()
    expect(left(job, 'wheels-free')).toHaveLength(4)
  })
  test('nothing else is found there, nor anywhere else, nor before it is bled', () => {
    const job = bled()
    expect(job.refusal(wheel('brake-rl', 'purple'))).toBe('no-such-place')
    expect(job.refusal(wheel('spare'))).toBe('no-such-place')
    const early = ScriptedJob.planned(vehicleFrom(carFile(fourCorners)), { reason: 'service' }, [
      'two-person',
    ])
    expect(early.refusal(wheel('brake-rl'))).toBe('not-bled')
  })
  test('a wheel is called by where it stands', () => {
    const [first] =
      checksFor(bled().state)
        .find(({ id }) => id === 'wheels-free')
        ?.places?.(bled().state) ?? []
    expect(first && sayMetric(first.says)).toMatch(/^(front|rear) (left|right) wheel$/)
  })
})

describe('nuts go on in two passes (common practice)', () => {
  test('none is torqued before all are snug, and only on wheels that were off', () => {
    const job = bled(['brake-fr', 'brake-fl'])
    expect(left(job, 'wheel-nuts')).toEqual([
      'brake-fr snug',
      'brake-fl snug',
      'brake-fr torque',
      'brake-fl torque',
    ])
    job.do(nuts('brake-fr snug'))
    expect(job.refusal(nuts('brake-fr torque'))).toBe('place-first')
    expect(job.refusal(nuts('brake-rr snug'))).toBe('no-such-place')
    job.do(nuts('brake-fl snug')).do(nuts('brake-fr torque'))
    expect(left(job, 'wheel-nuts')).toEqual(['brake-fl torque'])
  })
})
