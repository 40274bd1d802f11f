import { expect, test } from 'vitest'
import { examples } from '~core/vehicle/examples'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { vehicleFrom } from '~test/worlds/vehicles'
import { replayStored } from '../apply'
import { routineMinutes } from './routine-minutes'

const atUnit = ({ run }: ScriptedJob) => run.stages[run.stageIndex]?.stage.kind === 'control-unit'
const minutesOf = (job: ScriptedJob) => routineMinutes(replayStored(job.events))

test('cycles took what went by at the tool each time, and not what was bled between them', () => {
  const job = ScriptedJob.planned(demoVehicle('post-van-lhd'), { reason: 'repair', replaced: ['unit'] }, [
    'two-person',
    'control-unit',
  ])
  expect(minutesOf(job.until(atUnit))).toBe(1)
  job.wait(600).until((each) => !atUnit(each))
  expect(minutesOf(job)).toBe(10)
  job.wait(3600).until(atUnit).wait(1200)
  expect(minutesOf(job.until((each) => !atUnit(each)))).toBe(15)
})

test('by wire, what a foot bleeds in its midst is part of the one routine, and a night parked is not', () => {
  const taxi = vehicleFrom(structuredClone(examples['hybrid-taxi']?.file))
  const job = ScriptedJob.planned(taxi, { reason: 'service' }, ['two-person', 'control-unit'])
  job.until(atUnit).wait(300)
  job.until((each) => !atUnit(each)).wait(300)
  const before = minutesOf(job) ?? 0
  job.do({
    type: 'parked',
    why: 'the night',
    standsOpen: [],
    machineOn: false,
    pedalPropped: false,
    note: '',
  })
  job.wait(36_000).do({ type: 'resumed', asLeft: true, pedalCameUp: false, found: '' })
  job.bledToTheEnd()
  expect(before).toBeGreaterThanOrEqual(5)
  expect(minutesOf(job)).toBeGreaterThanOrEqual(before + 5)
  expect(minutesOf(job)).toBeLessThan(60)
})
