import { describe, expect, test } from 'vitest'
import { planCases } from '~test/plan-cases'
import { requestOf } from '~test/plan-cases/plan-of'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { makePlan } from '../plan/plan'
import { openPoint } from './points'
import { bleedDone, stationOf } from './selectors'

const going = Object.values(planCases)
  .flat()
  .map((each) => [each.name, requestOf(each)] as const)
  .filter(([, request]) => makePlan(request).verdict === 'go')

describe.each(going)('%s', (_name, request) => {
  test('the bay leads through it to the proof: every step done once, every place opened and closed', () => {
    const { vehicle, work, shop } = request
    const plan = makePlan(request)
    const job = ScriptedJob.checkedIn(vehicle, work)
    job.do({ type: 'planned', shop, plan })
    job.do({ type: 'plate-confirmed' })
    job.until(({ state }) => bleedDone(state))
    expect(stationOf(job.state)).toBe('prove')
    expect(openPoint(job.run)).toBeUndefined()
    const steps = job.events.flatMap((event) => (event.type === 'step-done' ? [event.step] : []))
    const planned = plan.stages.flatMap(({ before, after }) => [...before, ...after].map(({ id }) => id))
    expect([...steps].sort()).toEqual([...planned].sort())
    for (const { points, at, stage } of job.run.stages)
      if (stage.kind !== 'prove') for (const id of points) expect(at[id]?.finished).toBe(true)
  })
})
