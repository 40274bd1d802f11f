import { describe, expect, test } from 'vitest'
import { outletByOde } from '~test/reference/outlet-by-ode'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { carFile, fourCorners } from '~test/worlds/vehicles'
import { cornerOutletShare } from '../physics/exchange/reservoir-carry'
import { makePlan } from './plan'
import { readPlanRequest } from './request'
import { planSampler } from './sampling'

const requestFor = (vehicle: unknown, work: object = { reason: 'service' }, methods = ['two-person']) => {
  const read = readPlanRequest({
    format: 'ruddy-siphon.plan-request',
    version: 1,
    vehicle,
    work,
    shop: { methods },
  })
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  return read.value
}
const car = requestFor(carFile(fourCorners))
const sampled = (request = car, samples = 2000, seed = 7) => {
  const sampler = planSampler(request, seed)
  sampler?.take(samples)
  return sampler?.spread()
}
const minutesOf = (request: typeof car) =>
  makePlan(request).stages.reduce((sum, { minutes }) => sum + minutes, 0)

describe('at the usual values a sample is the plan itself', () => {
  const withUnit = demoVehicle('post-van-lhd')
  test.each([
    ['a car bled by two', car],
    [
      'a van by pressure after its unit was replaced, with cycles',
      requestFor(withUnit, { reason: 'repair', replaced: ['unit'] }, ['pressure', 'bench', 'control-unit']),
    ],
    [
      'a motorcycle by vacuum',
      requestFor(demoVehicle('courier-motorcycle'), { reason: 'service' }, ['vacuum']),
    ],
    [
      'a conversion by gravity',
      requestFor(carFile(fourCorners), { reason: 'conversion', fluidFound: 'DOT 5' }, ['gravity']),
    ],
  ])('%s', (_, request) => {
    const plan = makePlan(request)
    const sampler = planSampler(request, 1)
    sampler?.takeUsual()
    const spread = sampler?.spread()
    expect(plan.verdict).toBe('go')
    expect(spread?.totalMl.p50).toBeCloseTo(plan.fluid.totalMl, 9)
    expect(spread?.minutes.p50).toBeCloseTo(minutesOf(request), 9)
    expect(spread?.worstOldPct.p50).toBeCloseTo(Math.max(...Object.values(plan.expectedOldPct)), 9)
  })
})

test('half the samples lie about the plan, nine of ten need more than that, and the same seed says the same', () => {
  const spread = sampled()
  const plan = makePlan(car)
  expect((spread?.totalMl.p50 ?? 0) / plan.fluid.totalMl).toBeCloseTo(1, 1)
  expect((spread?.minutes.p50 ?? 0) / minutesOf(car)).toBeCloseTo(1, 0)
  expect(spread?.totalMl.p90).toBeGreaterThan(spread?.totalMl.p50 ?? 0)
  expect(spread?.minutes.p90).toBeGreaterThan(spread?.minutes.p50 ?? 0)
  expect(sampled()).toEqual(spread)
  expect(sampled(car, 2000, 8)).not.toEqual(spread)
})

test('the spread of the total is the spread of what varies: each line by a tenth (closed form)', () => {
  // A reservoir that stood dry feeds nothing old, so that each corner takes θ volumes of its own and no more.
  const dry = requestFor(carFile(fourCorners), { reason: 'repair', ranDry: true })
  const plan = makePlan(dry)
  const theta = 1 / (2 * Math.sqrt(0.05))
  const lineMl = fourCorners.map(({ lengthM }) => (Math.PI / 4) * 3.34 ** 2 * lengthM)
  const deviationMl = theta * 0.1 * Math.hypot(...lineMl)
  const spread = sampled(dry, 20_000)
  const p90Ml = plan.fluid.totalMl + 1.2816 * deviationMl
  expect(Math.abs((spread?.totalMl.p90 ?? 0) - p90Ml)).toBeLessThan(0.1 * deviationMl)
})

test('a plan that stops, and one that bleeds nothing, have nothing to sample', () => {
  expect(planSampler(requestFor(carFile(fourCorners), { reason: 'service' }, []), 1)).toBeUndefined()
})

test('the transport inside it is the ODE’s within a millionth, wherever the rates meet (odex)', () => {
  for (const [reservoirMl, volumeMl] of [
    [80, 240],
    [79.9, 240],
    [400, 60],
    [30, 300],
  ] as const)
    for (const throughMl of [5, 120, 600])
      expect(
        Math.abs(
          cornerOutletShare(reservoirMl, 0.8, volumeMl, throughMl) -
            outletByOde(reservoirMl, 0.8, volumeMl, throughMl),
        ),
      ).toBeLessThan(1e-6)
})
