import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { vehicleFrom } from '~test/worlds/vehicles'
import { examples } from '../../vehicle/examples'
import { routedBleeders } from '../../vehicle/network'
import { sayMetric } from '../../words'
import { makePlan } from '../plan'
import { readPlanRequest } from '../request'
import { bleedOrder } from './bleed-order'
import { orderSchoolIds } from './index'
import { orderWarnings } from './order-warnings'

const exampleNames = Object.keys(examples)
const exampleVehicle = (name: string) => vehicleFrom(examples[name]?.file)
const bled = (name: string) =>
  routedBleeders(exampleVehicle(name)).filter(({ part }) => part.type !== 'master-cylinder')

function planOf(name: string, work: Record<string, unknown>, shop: Record<string, unknown> = {}) {
  const read = readPlanRequest({
    format: 'ruddy-siphon.plan-request',
    version: 1,
    vehicle: examples[name]?.file,
    work: { reason: 'service', ...work },
    shop: { methods: ['two-person', 'vacuum'], ...shop },
  })
  return read.ok ? makePlan(read.value) : read.faults
}
const stated = (name: string, bleeders: string[], work: Record<string, unknown> = {}) => {
  const plan = planOf(name, { ...work, order: { bleeders, why: 'the left side is on the lift' } })
  if (Array.isArray(plan)) throw new Error(plan[0]?.message)
  return plan
}
const warned = (...given: Parameters<typeof stated>) =>
  stated(...given).order?.stated?.warnings.map(({ code }) => code)

describe('an order set by hand', () => {
  test('beats school and maker, keeps its reason, and what it leaves out follows in the usual order', () => {
    const plan = stated('parcel-van', ['FL'])
    expect(plan.stages.find(({ kind }) => kind === 'bleed')?.order).toEqual(['FL', 'V', 'RL', 'RR', 'FR'])
    expect(plan.reasons.map(sayMetric).join(' ')).toContain('the left side is on the lift')
  })

  test('a bleeder of the vehicle, each once, and a reason, or it is refused by path', () => {
    const paths = (order: unknown) => {
      const faults = planOf('farm-quad', { order })
      return Array.isArray(faults) ? faults.map(({ path }) => path) : []
    }
    expect(paths({ bleeders: ['R', 'no such'], why: 'x' })).toEqual(['work.order.bleeders.1'])
    expect(paths({ bleeders: ['R', 'R'], why: 'x' })).toEqual(['work.order.bleeders.1'])
    expect(paths({ bleeders: ['R'], why: ' ' })).toEqual(['work.order.why'])
  })

  test('is warned of where a valve comes after a wheel it feeds, and not where it comes after another', () => {
    expect(warned('ferry-estate', ['RR', 'LSV', 'RL', 'FR', 'FL'])).toEqual(['order-upstream-late'])
    expect(warned('ferry-estate', ['FR', 'LSV', 'RR', 'RL', 'FL'])).toEqual([])
  })

  test('is warned of where the higher bleeder of a brake comes before the lower', () => {
    expect(warned('coal-lorry', ['FL2', 'FL1'])).toEqual(['order-higher-first'])
  })

  test('is warned of where the clutch comes before a wheel of its reservoir, and in a conversion after one', () => {
    expect(warned('smithy-roadster', ['CL', 'RR', 'RL', 'FR', 'FL'])).toEqual(['order-clutch-early'])
    expect(warned('smithy-roadster', ['RR', 'CL'], { reason: 'conversion' })).toEqual(['order-clutch-late'])
    expect(warned('smithy-roadster', ['FL', 'RR'])).toEqual([])
  })

  test('is warned of where it leaves the maker’s', () => {
    expect(warned('parcel-van', ['V', 'RR', 'RL'])).toEqual(['order-maker-left'])
  })
})

test('no school is warned of on any example, in ordinary work or in a conversion', () => {
  for (const name of exampleNames)
    for (const school of orderSchoolIds)
      for (const conversion of [false, true]) {
        const order = bleedOrder(exampleVehicle(name), bled(name), school, conversion).value
        const routes = order.flatMap((id) => bled(name).filter(({ bleeder }) => bleeder.id === id))
        expect(orderWarnings(exampleVehicle(name), routes, conversion)).toEqual([])
      }
})

test('any order by hand is taken as it stands, whichever it is', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...exampleNames).chain((name) =>
        fc.record({
          name: fc.constant(name),
          order: fc.shuffledSubarray(
            bled(name).map(({ bleeder }) => bleeder.id),
            { minLength: 1 },
          ),
        }),
      ),
      ({ name, order }) => {
        const plan = stated(name, order)
        expect(plan.order?.bleeders.slice(0, order.length)).toEqual(order)
        expect([...(plan.order?.bleeders ?? [])].sort()).toEqual(
          bled(name)
            .map(({ bleeder }) => bleeder.id)
            .sort(),
        )
      },
    ),
  )
})

describe('beside the chosen order', () => {
  const schools = (name: string, shop: Record<string, unknown> = {}) => {
    const plan = planOf(name, {}, shop)
    if (Array.isArray(plan)) throw new Error(plan[0]?.message)
    return Object.fromEntries(
      (plan.order?.schools ?? []).map(({ id, differs }) => [id, differs && sayMetric(differs)]),
    )
  }

  test('each other school says where it leaves it first, and why', () => {
    expect(schools('doctors-runabout')).toEqual({
      'furthest-first': undefined,
      'nearest-first': 'At place 1 it takes FL, not RR: its run is 2.1 m, the other’s 5 m.',
      'circuit-by-circuit':
        'At place 2 it takes FL, not RL: circuit B is finished before circuit A is opened.',
    })
  })

  test('the maker’s order is one of them where he states one', () => {
    expect(schools('parcel-van')).toMatchObject({
      makers: undefined,
      'furthest-first': 'At place 2 it takes RR, not RL: its run is 5.3 m, the other’s 4.9 m.',
    })
  })
})
