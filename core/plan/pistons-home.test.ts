import { describe, expect, test } from 'vitest'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { vehicleFrom } from '~test/worlds/vehicles'
import { levelFirst } from '../job/levels'
import { examples } from '../vehicle/examples'
import { partsOf } from '../vehicle/parts'
import { planOnRig } from './on-rig'
import { levelsThen, pistonsHome } from './pistons-home'
import { makePlan } from './plan'
import { readPlanRequest } from './request'

const van = vehicleFrom(structuredClone(examples['parcel-van']?.file ?? {}))
const fronts = ['front left brake', 'front right brake']
const [reservoir] = partsOf(van, 'reservoir')
if (!reservoir) throw new Error('the van has a reservoir')
const max = reservoir.maxMl

function requestWith(work: object) {
  const read = readPlanRequest({
    format: 'ruddy-siphon.plan-request',
    version: 1,
    vehicle: examples['parcel-van']?.file,
    work: { reason: 'service', ...work },
    shop: { methods: ['two-person'] },
  })
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  return read.value
}
const worn = { padWearMm: { 'front left brake': 12, 'front right brake': 12 } }
const stepsOf = (work: object) =>
  makePlan(requestWith(work)).stages.flatMap(({ before, after }) => [...before, ...after])

describe('what comes up', () => {
  test('is area times wear, of every piston (closed form)', () => {
    const [home] = pistonsHome(requestWith({ ...worn, pistonsHome: fronts }))
    const areasMm2 = partsOf(van, 'wheel-brake')
      .filter(({ id }) => fronts.includes(id))
      .flatMap(({ pistons }) =>
        pistons.map(({ diameterMm, count }) => count * (Math.PI / 4) * diameterMm ** 2),
      )
    expect(home?.ml).toBeCloseTo((areasMm2.reduce((a, b) => a + b, 0) * 12) / 1000, 9)
  })

  test('is drawn out before as far as it would stand above MAX, and nothing where there is room', () => {
    const [full] = pistonsHome(
      requestWith({ ...worn, pistonsHome: fronts, levelMl: { [reservoir.id]: max } }),
    )
    expect(full?.tooMuchMl).toBeCloseTo(full?.ml ?? 0, 9)
    const low = { levelMl: { [reservoir.id]: max - (full?.ml ?? 0) - 5 } }
    expect(pistonsHome(requestWith({ ...worn, pistonsHome: fronts, ...low }))[0]?.tooMuchMl).toBe(0)
    expect(levelsThen(requestWith({ ...worn, pistonsHome: fronts, ...low }))?.[reservoir.id]).toBeCloseTo(
      max - 5,
      9,
    )
  })

  test('is nothing into an empty system, and finds a dry reservoir with all its room', () => {
    const [empty] = pistonsHome(requestWith({ ...worn, pistonsHome: fronts, systemEmpty: true }))
    expect([empty?.ml, empty?.tooMuchMl]).toEqual([0, 0])
    const [dry] = pistonsHome(requestWith({ ...worn, pistonsHome: fronts, ranDry: true }))
    expect([dry?.standsMl, dry?.tooMuchMl]).toEqual([0, 0])
  })

  test('a brake that the vehicle does not have is refused by its path', () => {
    const read = readPlanRequest({
      format: 'ruddy-siphon.plan-request',
      version: 1,
      vehicle: examples['parcel-van']?.file,
      work: { reason: 'service', pistonsHome: ['fifth wheel'] },
    })
    expect(!read.ok && read.faults).toMatchObject([{ path: 'work.pistonsHome.0' }])
  })
})

test('pistons go home before anything is drawn or filled, and are seated before the proof', () => {
  const codes = stepsOf({ ...worn, pistonsHome: fronts }).map(({ code }) => code)
  const at = (code: string) => codes.indexOf(code)
  expect(at('pistons-room')).toBeGreaterThanOrEqual(0)
  expect(at('pistons-room')).toBeLessThan(at('pistons-home'))
  expect(at('pistons-home')).toBeLessThan(at('draw-to'))
  expect(at('pistons-seated')).toBeGreaterThan(at('draw-to'))
  expect(stepsOf(worn).some(({ code }) => code.startsWith('pistons-'))).toBe(false)
})

test('an electric parking brake is run back by the tool before its pistons are pressed', () => {
  const file = structuredClone(examples['parcel-van']?.file) as { parts: { id: string }[] }
  const parts = file.parts.map((part) =>
    part.id === 'rear left brake' ? { ...part, parkingBrake: 'electric' } : part,
  )
  const read = readPlanRequest({
    format: 'ruddy-siphon.plan-request',
    version: 1,
    vehicle: { ...file, parts },
    work: { reason: 'service', pistonsHome: ['rear left brake'] },
    shop: { methods: ['two-person'] },
  })
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  const codes = makePlan(read.value).stages.flatMap(({ before }) => before.map(({ code }) => code))
  expect(codes.indexOf('service-mode')).toBeLessThan(codes.indexOf('pistons-home'))
})

test('brakes that hold less are passed by less, and every bleeder ends as promised on the rig, nothing overflowing', () => {
  const asked = requestWith({ ...worn, pistonsHome: fronts })
  const [home, out] = [makePlan(asked), makePlan(requestWith(worn))]
  for (const id of ['FL', 'FR']) expect(home.fluid.passageMl[id]).toBeLessThan(out.fluid.passageMl[id] ?? 0)
  expect(planOnRig(asked, home)).toMatchObject({ ok: true, faults: [] })
  // Without room made first it runs over.
  const hasty = home.stages.map((stage) => ({
    ...stage,
    before: stage.before.filter(({ code }) => code !== 'pistons-room'),
  }))
  expect(planOnRig(asked, { ...home, stages: hasty })?.faults).toMatchObject([{ code: 'rig-overflowed' }])
})

test('one that was seen low is not said to run over, and needs no room made', () => {
  const asked = requestWith({ ...worn, pistonsHome: fronts, levelMl: { [reservoir.id]: reservoir.minMl } })
  const plan = makePlan(asked)
  expect(plan.stages[0]?.before.some(({ code }) => code === 'pistons-room')).toBe(false)
  expect(planOnRig(asked, plan)?.faults).toEqual([])
})

test('what came up is old: the draw after it counts nothing of the reservoir as new', () => {
  const job = ScriptedJob.planned(
    van,
    { reason: 'service', ...worn, pistonsHome: fronts },
    ['two-person'],
    max,
  )
  job.until(({ run }) => run.stages.some(({ stepsDone }) => stepsDone.includes('draw')))
  expect(job.run.oldMl?.[reservoir.id]).toBe(job.run.levelMl[reservoir.id])
})

test('after pistons went home the bay asks where the level stands, before it counts on from it', () => {
  const job = ScriptedJob.planned(
    van,
    { reason: 'service', ...worn, pistonsHome: fronts },
    ['two-person'],
    max,
  )
  const pressed = ({ run }: { run: { stages: { stepsDone: string[] }[] } }) =>
    run.stages.some(({ stepsDone }) => stepsDone.some((id) => id.startsWith('pistons-home')))
  job.until((each) => pressed(each as never))
  expect(job.run.levelMl[reservoir.id]).toBeUndefined()
  job.until(({ run, state }) => levelFirst(state) !== undefined || run.stageIndex > 0)
  expect(levelFirst(job.state)).toBe(reservoir.id)
  job.bledToTheEnd().proved()
})
