import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { pullMl } from '../technique/strokes'
import { carefulAct } from './careful'
import { usualPullMl } from './levels'
import { currentPoint, sourceOf } from './points'
import { runsOn } from './runs-on'

const van = demoVehicle('post-van-lhd')
const openAt = (method: string) =>
  ScriptedJob.planned(van, { reason: 'service' }, [method], 380).until(({ run }) => run.call === 'open')
const look = (job: ScriptedJob, ml: number, colour: 'brown' | 'new' = 'brown') =>
  job.do({ type: 'pull-seen', ml, colour, bubbles: 'none' })

describe('an open bleeder runs on until a look decides something', () => {
  test('three pulls’ worth at first, then to where the clean end begins, then to its end', () => {
    const job = openAt('pressure')
    const one = usualPullMl(van, currentPoint(job.run) ?? '')
    expect(one).toBe(pullMl(van, sourceOf(van, currentPoint(job.run) ?? '') ?? ''))
    expect(runsOn(job.state)).toEqual({ ml: 3 * one, nearMin: false })
    look(job, 3 * one)
    const target = job.run.stages[job.run.stageIndex]?.stage.mlByBleeder?.RR ?? 0
    expect(runsOn(job.state)?.ml).toBeCloseTo(target - 6 * one)
    look(job, target - 6 * one)
    expect(runsOn(job.state)?.ml).toBeCloseTo(3 * one)
  })

  test('bubbles at the first look are what the line held: it runs on; froth, and bubbles that go on, are looked at soon', () => {
    const bubbled = (...seen: ('string' | 'froth')[]) => {
      const job = openAt('pressure')
      for (const bubbles of seen) job.do({ type: 'pull-seen', ml: 15, colour: 'brown', bubbles })
      return runsOn(job.state)?.ml ?? 0
    }
    const soon = 3 * usualPullMl(van, 'RR')
    expect(bubbled('string')).toBeGreaterThan(5 * soon)
    expect(bubbled('froth')).toBeCloseTo(soon)
    expect(bubbled('string', 'string')).toBeCloseTo(soon)
  })

  test('never as far as MIN where nothing feeds the reservoir, and several bottles share what is above it', () => {
    const byVacuum = look(openAt('vacuum'), 20)
    const above = byVacuum.run.levelMl.reservoir ?? 0
    const on = runsOn(byVacuum.state)
    expect(on?.nearMin).toBe(true)
    expect(on?.ml).toBeLessThan(above - 230)
    const two = openAt('gravity')
    const alone = runsOn(look(two, 20).state)?.ml ?? 0
    two.do({ type: 'bottle-hung', point: 'RL' })
    look(two, 1)
    expect(runsOn(two.state)?.ml).toBeLessThan(alone / 1.9)
  })

  test('a look there is worth as many clean pulls as its volume, where the one before was clean too', () => {
    const job = look(look(openAt('pressure'), 30), 60, 'new')
    expect(job.point('RR')?.cleanStreak).toBe(1)
    expect(look(job, 60, 'new').point('RR')?.cleanStreak).toBe(4)
  })
})

test('a bleeder that is done is opened once more for a moment: no bubbles leave it done, bubbles begin its clean count anew', () => {
  const job = ScriptedJob.planned(van, { reason: 'service' }, ['pressure'], 380)
  const done = () => carefulAct(job.state)?.type === 'point-finished'
  job.until(done)
  job.call('open').wait(4).call('close')
  expect(done()).toBe(true)
  job.call('open').do({ type: 'pull-seen', ml: 2, colour: 'new', bubbles: 'string' }).call('close')
  expect(done()).toBe(false)
})
