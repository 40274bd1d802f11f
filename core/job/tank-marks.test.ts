import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { runsForS } from './runs-for'
import type { StageRunState } from './state'
import { tankMarks } from './tank-marks'

const byMachine = (vehicle = vehicleFrom(carFile(fourCorners))) =>
  ScriptedJob.planned(vehicle, { reason: 'service' }, ['pressure'], 380).until(
    ({ run }) => run.call === 'open',
  )
const stageOf = ({ run }: ScriptedJob) => run.stages[run.stageIndex] as StageRunState

describe('the marks on a machine’s tank', () => {
  test('one for each bleeder that is left, the one in hand first: what it holds less what they still want, in turn', () => {
    const job = byMachine().do({ type: 'tank-read', ml: 2000 })
    const stage = stageOf(job)
    const wants = stage.stage.mlByBleeder ?? {}
    const marks = tankMarks(stage, job.run)
    expect(marks.map(({ point }) => point)).toEqual(stage.points)
    const [first = '', second = ''] = stage.points
    expect(marks[0]?.atMl).toBeCloseTo(2000 - (wants[first] ?? 0), 9)
    expect(marks[1]?.atMl).toBeCloseTo(2000 - (wants[first] ?? 0) - (wants[second] ?? 0), 9)
  })
  test('a tank that is too small says before which bleeder it is filled; one nobody has read has no marks', () => {
    const job = byMachine().do({ type: 'tank-read', ml: 100 })
    expect(tankMarks(stageOf(job), job.run).at(-1)?.atMl).toBeLessThan(0)
    const { tankMl: _unread, ...run } = job.run
    expect(tankMarks(stageOf(job), run)).toEqual([])
  })
})

describe('how long it runs', () => {
  test('by what its line lets through: twice the amount takes twice as long, and a foot says nothing', () => {
    const job = byMachine()
    const [one, two] = [runsForS(job.state, 50), runsForS(job.state, 100)]
    expect(two).toBeCloseTo(2 * (one ?? 0), 9)
    expect(one).toBeGreaterThan(1)
    const byFoot = ScriptedJob.planned(
      vehicleFrom(carFile(fourCorners)),
      { reason: 'service' },
      ['two-person'],
      380,
    )
    expect(runsForS(byFoot.until(({ run }) => run.call === 'open').state, 50)).toBeUndefined()
  })
  test('behind a control unit nobody knows until it was timed', () => {
    const job = byMachine(demoVehicle('post-van-lhd'))
    expect(runsForS(job.state, 50)).toBeUndefined()
    job.wait(60).do({ type: 'pull-seen', ml: 60, colour: 'brown', bubbles: 'none' })
    expect(runsForS(job.state, 60)).toBeCloseTo(60, 0)
  })
})
