import { expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { sayMetric } from '../../words'
import { againstPlan, tookMore } from './against-plan'
import type { Learned } from './learned'

const job = ScriptedJob.planned(demoVehicle('post-van-lhd'), { reason: 'service' }, ['two-person'], 380)
const plan = job.state.planned?.plan
if (!plan) throw new Error('there is no plan')
const plannedMl = plan.stages.find(({ kind }) => kind === 'bleed')?.mlByBleeder?.RR ?? 0
const took = (value: number, kind: Learned['kind'] = 'volume'): Learned[] => [
  { jobId: 'before', at: '2026-01-01', kind, bleeder: 'RR', value },
]

test('a bleeder that took far more on the last job is said beside this plan; a pull or two more is not', () => {
  expect(tookMore(took(plannedMl + 15), plan)).toEqual([])
  expect(tookMore(took(2 * plannedMl, 'spanner'), plan)).toEqual([])
  expect(tookMore(took(2 * plannedMl), plan)).toEqual([{ bleeder: 'RR', tookMl: 2 * plannedMl, plannedMl }])
})

test('what stays over of what this plan opens is enough for that, or one more container is', () => {
  const said = (leftMl: number) =>
    againstPlan(took(2 * plannedMl), { ...plan, fluid: { ...plan.fluid, leftMl } }).at(-1)
  expect(said(plannedMl + 1)?.code).toBe('learned-left-covers')
  expect(said(plannedMl - 1)?.code).toBe('learned-have-more')
  expect(sayMetric(said(5) ?? { code: '' })).toContain('5 mL')
})
