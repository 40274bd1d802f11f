import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { vehicleFrom } from '~test/worlds/vehicles'
import { run } from '../../cli/run'
import { examples } from '../vehicle/examples'
import type { Vehicle } from '../vehicle/schema'
import { type OnRig, planOnRig } from './on-rig'
import { makePlan } from './plan'
import { type PlanRequest, shopSchema, workSchema } from './request'

const requestFor = (vehicle: Vehicle, method: string, work: object = { reason: 'service' }): PlanRequest => ({
  vehicle,
  work: workSchema.parse(work),
  shop: shopSchema.parse({ methods: [method] }),
})
const ran = (request: PlanRequest): OnRig | undefined => planOnRig(request, makePlan(request))

const ways = ['pressure', 'vacuum', 'pressure-vacuum', 'gravity', 'two-person', 'solo'] as const
describe.each(ways)('every example exchanged by %s, as its plan says', (method) => {
  test.each(Object.entries(examples).map(([name, { file }]) => [name, file] as const))('%s', (_, file) => {
    const request = requestFor(vehicleFrom(structuredClone(file)), method)
    const plan = makePlan(request)
    const rig = planOnRig(request, plan)
    if (!rig) return
    expect(rig.faults).toEqual([])
    expect(rig.ranDry).toBe(false)
    expect(rig.airMl).toBeLessThan(0.1)
    // What is bought is enough: a foot moves whole strokes, so that the last pull of each bleeder is more than asked.
    expect(rig.usedMl).toBeLessThan(1.2 * plan.fluid.totalMl)
  })
})

test.each([
  ['a cylinder that came dry, bled in the vice first', { reason: 'repair', replaced: ['cylinder'] }],
  ['a unit that was replaced, with its cycles', { reason: 'repair', replaced: ['unit'] }],
  ['a system that ran dry', { reason: 'repair', ranDry: true }],
])('%s: the target is met, and no air is left', (_, work) => {
  const request: PlanRequest = {
    vehicle: demoVehicle('post-van-lhd'),
    work: workSchema.parse(work),
    shop: shopSchema.parse({ methods: ['pressure', 'bench', 'control-unit', 'two-person'] }),
  }
  expect(ran(request)).toMatchObject({ ok: true, faults: [] })
})

test('half of what the plan asks for is a miss that says so', () => {
  const request = requestFor(vehicleFrom(structuredClone(examples['electric-post-van']?.file)), 'pressure')
  const plan = makePlan(request)
  const half = {
    ...plan,
    stages: plan.stages.map((stage) => ({
      ...stage,
      ...(stage.mlByBleeder && {
        mlByBleeder: Object.fromEntries(Object.entries(stage.mlByBleeder).map(([id, ml]) => [id, ml / 2])),
      }),
    })),
  }
  const rig = planOnRig(request, half)
  expect(rig?.ok).toBe(false)
  expect(rig?.faults.map(({ code }) => code)).toContain('rig-target-missed')
})

test('the command runs a plan on the rig where it is asked to, and not otherwise; a stop is not run', () => {
  const request = requestFor(vehicleFrom(structuredClone(examples['boat-trailer']?.file)), 'vacuum')
  const asked = (more: object) =>
    run(['plan'], () =>
      JSON.stringify({ format: 'ruddy-siphon.plan-request', version: 1, ...request, ...more }),
    )
  expect(JSON.parse(asked({ onRig: true }).stdout).rig).toMatchObject({ ok: true, ranDry: false, faults: [] })
  expect(JSON.parse(asked({}).stdout)).not.toHaveProperty('rig')
  expect(asked({ onRig: 'yes' }).stderr).toMatch(/^onRig: /)
  expect(JSON.parse(asked({ onRig: true, shop: { methods: [] } }).stdout)).not.toHaveProperty('rig')
})
