import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { ScriptedJob } from '~test/worlds/scripted-job'
import type { Stage } from '../plan/answer'
import { makePlan } from '../plan/plan'
import { shopSchema, workSchema } from '../plan/request'
import { showIn } from '../units/show'
import { usUnits } from '../units/units'
import { sayEnglish, sayMetric } from '../words'
import { carefulAct } from './careful'
import { stationOf } from './selectors'
import { pointClosing, pointPreparation } from './steps'

const every = ['two-person', 'pressure', 'vacuum', 'gravity', 'bench', 'control-unit']

function planOf(work: object, methods = every) {
  const vehicle = demoVehicle('post-van-lhd')
  const shop = shopSchema.parse({ methods })
  return { vehicle, plan: makePlan({ vehicle, work: workSchema.parse(work), shop }) }
}

const kindsOfWork: [string, object, string[]?][] = [
  ['a routine exchange by pressure', { reason: 'service' }, ['pressure']],
  ['a routine exchange by gravity', { reason: 'service' }, ['gravity']],
  ['a routine exchange by vacuum', { reason: 'service' }, ['vacuum']],
  ['one opened corner', { reason: 'repair', opened: ['rear left brake'] }],
  ['a conversion', { reason: 'conversion', fluidFound: 'DOT 5' }],
  ['a new cylinder', { reason: 'repair', replaced: ['cylinder'] }],
  ['a new control unit', { reason: 'repair', replaced: ['unit'] }],
  ['a reservoir run dry', { reason: 'repair', ranDry: true }],
  ['an empty system', { reason: 'repair', systemEmpty: true }],
]

describe.each(kindsOfWork)('%s', (_, work, methods = every) => {
  const { plan, vehicle } = planOf(work, methods)

  test('has steps for every stage, and no two of one stage share an id', () => {
    for (const stage of plan.stages) {
      const { before, after } = stage
      const ids = [...before, ...after].map(({ id }) => id)
      if (stage.kind !== 'prove') expect(ids.length).toBeGreaterThan(0)
      expect(new Set(ids).size).toBe(ids.length)
    }
  })

  test('can be done from its first step to the proof, every point finished and no reservoir below MIN', () => {
    const job = ScriptedJob.planned(vehicle, work, methods)
    // A corner alone has no fill among its steps: somebody says how full the reservoir is first.
    if (Object.keys(job.run.levelMl).length === 0)
      job.do({ type: 'topped-up', reservoir: 'reservoir', ml: 50 })
    for (let act = carefulAct(job.state); act; act = carefulAct(job.state)) {
      job.do(act)
      if (methods.includes('two-person') && job.run.stages[job.run.stageIndex]?.stage.kind === 'bleed')
        for (const level of Object.values(job.run.levelMl)) expect(level).toBeGreaterThanOrEqual(230)
    }
    expect(stationOf(job.state)).toBe('prove')
    for (const { points, at } of job.run.stages) expect(points.filter((id) => !at[id]?.finished)).toEqual([])
  })
})

test('pressure is let off before its adapter comes off, and a conversion is never filled to the brim before it is wiped', () => {
  const pressure = planOf({ reason: 'service' }, ['pressure']).plan
  const bleed = pressure.stages.find(({ kind }) => kind === 'bleed')
  if (!bleed) throw new Error('a service bleeds')
  expect(bleed.after.map(({ id }) => id)).toEqual(['depressurise', 'adapter-off', 'draw-to-max'])
  const conversion = planOf({ reason: 'conversion' }).plan
  const wipe = conversion.stages[0]
  if (!wipe) throw new Error('a conversion wipes')
  const ids = wipe.before.map(({ id }) => id)
  expect(ids.indexOf('wipe')).toBeLessThan(ids.indexOf('first-fill'))
})

const bleed = { kind: 'bleed' } as Stage

test('how one gets at a bleeder is said before its hose is on, where the file says it', () => {
  const said = (id: string) =>
    pointPreparation(demoVehicle('courier-motorcycle'), bleed, id).map(sayMetric).join(' ')
  expect(said('R')).toContain('Where it is: behind the side panel, two clips.')
  expect(said('F')).not.toContain('Where it is')
})

test('the spanner and the torque are the file’s, the maker’s where it has none', () => {
  const [first] = pointPreparation(demoVehicle('post-van-lhd'), bleed, 'FL')
  expect(first && sayMetric(first)).toContain('11 mm')
  const closing = pointClosing(demoVehicle('post-van-lhd'), bleed, 'FL')
  expect(sayMetric(closing)).toContain('14 N·m')
  expect(sayEnglish(showIn(usUnits))(closing)).toContain('10.3 lb·ft')
  expect(sayMetric(pointClosing(demoVehicle('charabanc'), bleed, 'FL'))).toContain('the maker’s torque')
})
