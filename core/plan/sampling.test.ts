import { describe, expect, test } from 'vitest'
import { outletByOde } from '~test/reference/outlet-by-ode'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { carFile, fourCorners } from '~test/worlds/vehicles'
import { Chance } from '../base/random'
import { cornerOutletShare } from '../physics/exchange/reservoir-carry'
import { partsOf } from '../vehicle/parts'
import { deadVolume } from '../vehicle/usual-volumes'
import { makePlan } from './plan'
import { type PlanRequest, readPlanRequest } from './request'
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

test('the spread of the total is the spread of what varies: each line by a tenth, each brake by a quarter (closed form)', () => {
  // A reservoir that stood dry feeds nothing old, so that each corner takes θ volumes of its own and no more.
  const dry = requestFor(carFile(fourCorners), { reason: 'repair', ranDry: true })
  const plan = makePlan(dry)
  const theta = 1 / (2 * Math.sqrt(0.05))
  const lines = fourCorners.map(({ lengthM }) => 0.1 * (Math.PI / 4) * 3.34 ** 2 * lengthM)
  const brakes = partsOf(dry.vehicle, 'wheel-brake').map((brake) => 0.25 * deadVolume(brake).ml)
  const deviationMl = theta * Math.hypot(...lines, ...brakes)
  const spread = sampled(dry, 20_000)
  const p90Ml = plan.fluid.totalMl + 1.2816 * deviationMl
  expect(Math.abs((spread?.totalMl.p90 ?? 0) - p90Ml)).toBeLessThan(0.1 * deviationMl)
})

describe('of vehicles that differ from their file as it says, planned each by itself, half and nine of ten need no more', () => {
  const planned = requestFor(demoVehicle('post-van-lhd'), { reason: 'service' }, ['pressure'])
  const chance = new Chance(404)
  const off = (share: number) => 1 + share * Math.max(-3, Math.min(3, chance.normal()))
  const handlingTimes = () => {
    const [least, likely, most] = [0.7, 1, 1.6]
    const share = chance.next()
    return share < (likely - least) / (most - least)
      ? least + Math.sqrt(share * (most - least) * (likely - least))
      : most - Math.sqrt((1 - share) * (most - least) * (most - likely))
  }
  /** Another vehicle of the same kind, as it really is. */
  const really = (twice = 1): PlanRequest => ({
    ...planned,
    shop: { ...planned.shop, tempC: 20 + twice * 2 * chance.normal() },
    vehicle: {
      ...planned.vehicle,
      lines: planned.vehicle.lines.map((line) => {
        const longer = off(0.1 * twice)
        return {
          ...line,
          segments: line.segments.map((each) => ({ ...each, lengthM: each.lengthM * longer })),
        }
      }),
      parts: planned.vehicle.parts.map((part) =>
        part.type === 'wheel-brake'
          ? { ...part, deadMl: part.deadMl ?? deadVolume(part).ml * off(0.25 * twice) }
          : part,
      ),
    },
  })
  const spread = sampled(planned, 4000)
  const truths = Array.from({ length: 600 }, () => {
    const plan = makePlan(really())
    const handling = handlingTimes()
    return {
      ml: plan.fluid.totalMl,
      minutes: plan.stages.reduce(
        (sum, each) => sum + each.fluidMinutes + handling * each.handlingMinutes,
        0,
      ),
    }
  })
  const share = (within: (truth: (typeof truths)[number]) => boolean) =>
    truths.filter(within).length / truths.length

  test('fluid', () => {
    expect(Math.abs(share(({ ml }) => ml <= (spread?.totalMl.p50 ?? 0)) - 0.5)).toBeLessThan(0.07)
    expect(Math.abs(share(({ ml }) => ml <= (spread?.totalMl.p90 ?? 0)) - 0.9)).toBeLessThan(0.05)
  })
  test('minutes: the bleeder’s hole is in its spread too, so that a little more is covered', () => {
    expect(Math.abs(share(({ minutes }) => minutes <= (spread?.minutes.p50 ?? 0)) - 0.5)).toBeLessThan(0.1)
    expect(Math.abs(share(({ minutes }) => minutes <= (spread?.minutes.p90 ?? 0)) - 0.9)).toBeLessThan(0.05)
  })
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
