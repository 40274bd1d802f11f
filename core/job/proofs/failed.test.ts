import { expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { checksFor } from './checks'

const CHECK = 'joints-dry'
const bled = () =>
  ScriptedJob.planned(demoVehicle('charabanc'), { reason: 'service' }, ['two-person'])
    .bledToTheEnd()
    .proved(CHECK)
const fails = (note: string) => ({ type: 'check-proved', check: CHECK, passed: false, note }) as const
const holds = (remedy: string) =>
  ({ type: 'check-proved', check: CHECK, passed: true, note: '', remedy }) as const

test('each time that a check failed stays known, with what was done about it the last time', () => {
  const job = bled()
  expect(checksFor(job.state).some(({ id }) => id === CHECK)).toBe(true)
  job.do(fails('wet at RL')).do(fails('still wet')).do(holds('new washer'))
  expect(job.state.proofs[CHECK]?.passed).toBe(true)
  expect(job.state.failedProofs).toMatchObject([
    { check: CHECK, note: 'wet at RL' },
    { check: CHECK, note: 'still wet', remedy: 'new washer' },
  ])
  expect(job.state.failedProofs?.[0]?.remedy).toBeUndefined()
})

test('a failure that is taken back never was, and one taken back after it stands as before', () => {
  const job = bled().do(fails('wet at RL'))
  expect(job.undo().state.failedProofs ?? []).toEqual([])
  job.do(fails('wet at RL')).do(holds('tightened')).undo()
  expect(job.state.failedProofs).toMatchObject([{ note: 'wet at RL' }])
  expect(job.state.failedProofs?.[0]?.remedy).toBeUndefined()
})
