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

/** Ends above its target on the rig, and why. */
const known: Readonly<Record<string, readonly string[]>> = {
  // Its rears and simulator are driven by the unit's own pump, which the rig has not; what they hold mixes into the rest.
  'hybrid-taxi': ['pressure', 'vacuum'],
  // A hose shared by two calipers is purged by the first alone: the second's own share comes late.
  'courier-twin-disc': ['vacuum'],
}

describe.each(['pressure', 'vacuum'])('every example exchanged by %s, as its plan says', (method) => {
  test.each(Object.entries(examples).map(([name, { file }]) => [name, file] as const))('%s', (name, file) => {
    const rig = ran(requestFor(vehicleFrom(structuredClone(file)), method))
    if (!rig) return
    if (known[name]?.includes(method)) expect(rig.ok).toBe(false)
    else expect(rig.faults).toEqual([])
    expect(rig.ranDry).toBe(false)
    expect(rig.airMl).toBeLessThan(0.1)
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
