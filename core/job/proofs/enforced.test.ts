import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { vehicleFrom } from '~test/worlds/vehicles'
import { examples } from '../../vehicle/examples'
import { carefulProof } from '../careful'
import { filingRefusal } from '../filing'
import { checksFor } from './checks'

const bled = (vehicle = demoVehicle('post-van-lhd')) =>
  ScriptedJob.planned(vehicle, { reason: 'service' }, ['two-person', 'control-unit'], 380).bledToTheEnd()
const proof = (check: string, more: object = {}) =>
  ({ type: 'check-proved', check, passed: true, note: '', ...more }) as const
const held = { heldS: 30 }

describe('the core proves, whoever sends it', () => {
  test('a value past its limit is a failure, though it was sent as passed; so it stays when it is replayed', () => {
    const job = bled()
    job.do(proof('three-presses', { value: 60 }))
    job.do(proof('hold-firm', { value: 12, ...held }))
    expect([job.state.proofs['three-presses']?.passed, job.state.proofs['hold-firm']?.passed]).toEqual([
      false,
      false,
    ])
    expect(job.replayed().proofs).toEqual(job.state.proofs)
    expect(filingRefusal(job.state, 'fit')?.code).toBe('fit-not-proved')
  })

  test('a tick is no measure: where something is measured its value is asked for', () => {
    const job = bled().proved('three-presses')
    expect(job.refusal(proof('three-presses'))).toBe('measure-missing')
    expect(job.refusal(proof('three-presses', { value: 3 }))).toBeUndefined()
    expect(job.refusal({ ...proof('three-presses'), passed: false })).toBeUndefined()
  })

  test('nothing is proved before what it rests on, nothing driven before it stops, and not after that failed', () => {
    const job = bled()
    expect(job.refusal(proof('hold-firm', { value: 0, ...held }))).toBe('proof-first')
    for (const check of checksFor(job.state)) {
      const { id } = check
      if (id === 'level-again') continue
      if (id === 'hold-firm')
        for (const later of ['joints-dry', 'wheels-free', 'low-speed', 'road-test'])
          expect(job.refusal(proof(later))).toBe('proof-first')
      for (const act of carefulProof(job.state, check)) job.do(act)
    }
    expect(job.refusal(proof('level-again'))).toBeUndefined()
    job.do(proof('hold-firm', { value: 40, ...held }))
    for (const road of ['low-speed', 'road-test', 'level-again'])
      expect(job.refusal(proof(road))).toBe('proof-first')
    // A fault is a finding at any time.
    expect(job.refusal({ ...proof('joints-dry'), passed: false })).toBeUndefined()
  })

  test('every proof comes after what it rests on, in the list and for every vehicle', () => {
    for (const { file } of Object.values(examples)) {
      const ids = checksFor({ vehicle: vehicleFrom(structuredClone(file)) })
      for (const [i, { restsOn = [] }] of ids.entries())
        for (const on of restsOn) expect(ids.slice(i).map(({ id }) => id)).not.toContain(on)
    }
  })

  test('what failed is not ticked again: something was done about it, and what was proved after it is proved anew', () => {
    const job = bled()
    const passed = (id: string) => job.state.proofs[id]?.passed
    job.proved('wheels-free').do({ ...proof('pedal-high'), passed: false })
    expect([passed('level'), passed('pedal-high'), passed('joints-dry')]).toEqual([true, false, undefined])
    for (const remedy of [undefined, ' '])
      expect(job.refusal(proof('pedal-high', { remedy }))).toBe('remedy-missing')
    job.do(proof('pedal-high', { remedy: 'shoes adjusted' }))
    expect(job.state.proofs['pedal-high']).toMatchObject({ passed: true, remedy: 'shoes adjusted' })
    expect(job.replayed().proofs).toEqual(job.state.proofs)
  })

  test('a value past its limit takes along what was proved after it, whatever was sent with it', () => {
    const job = bled().proved('three-presses').do(proof('lamps'))
    const before = Object.keys(job.state.proofs).filter((id) => id !== 'lamps')
    job.do(proof('three-presses', { value: 60, voids: ['level'] }))
    expect(Object.keys(job.state.proofs)).toEqual([...before, 'three-presses'])
  })

  test('a level that the count puts below MAX is not at MAX before somebody pours or looks', () => {
    const job = bled().do({ type: 'level-read', reservoir: 'reservoir', ml: 310 })
    expect(job.refusal(proof('level'))).toBe('level-below-max')
    expect(job.refusal({ ...proof('level'), passed: false })).toBeUndefined()
    job.do({ type: 'topped-up', reservoir: 'reservoir', ml: 90 })
    expect(job.refusal(proof('level'))).toBeUndefined()
    job.proved('level-again').do({ type: 'level-read', reservoir: 'reservoir', ml: 500 })
    expect(job.refusal(proof('level-again'))).toBe('level-above-max')
  })

  test('by wire it is the routine’s own pressure check that comes before the road', () => {
    const job = bled(vehicleFrom(structuredClone(examples['hybrid-taxi']?.file)))
    job.proved('routine-pressure')
    expect(job.refusal(proof('joints-dry'))).toBe('proof-first')
    expect(job.do(proof('routine-pressure')).refusal(proof('joints-dry'))).toBeUndefined()
  })

  test('proved in their order, every vehicle can be filed as fit', () => {
    for (const name of ['post-van-lhd', 'courier-motorcycle', 'charabanc'] as const) {
      const job = bled(demoVehicle(name)).proved()
      expect(filingRefusal(job.state, 'fit')).toBeUndefined()
      expect(Object.keys(job.state.proofs)).toHaveLength(checksFor(job.state).length)
    }
  })
})
