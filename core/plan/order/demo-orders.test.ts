import { describe, expect, test } from 'vitest'
import { type DemoName, demoVehicle } from '~test/worlds/demo-vehicles'
import { routedBleeders } from '../../vehicle/network'
import { bleedOrder } from './bleed-order'
import type { OrderSchoolId } from './index'

/**
 * Runs added up by hand from the files, in metres:
 * left-hand-drive van  RR 0.7+5.3+0.5 = 6.5, RL 0.7+4.1+0.5 = 5.3, FR 0.8+1.9+0.45 = 3.15, FL 0.8+0.9+0.45 = 2.15
 * right-hand-drive van the same with left and right exchanged
 * motorcycle           front 0.9+0.4+0.8 = 2.1, rear 0.5+0.9+0.4 = 1.8, each with its own cylinder
 * charabanc            RL = RR = 0.6+4.9+0.5+0.9 = 6.9, FL 0.6+1.9+0.5 = 3.0, FR 0.6+0.8+0.5 = 1.9; driver right,
 *                      so of the equal rears the left one is first
 */
const byHand: Record<DemoName, { runsM: Record<string, number>; orders: Record<OrderSchoolId, string[]> }> = {
  'post-van-lhd': {
    runsM: { RR: 6.5, RL: 5.3, FR: 3.15, FL: 2.15 },
    orders: {
      'furthest-first': ['RR', 'RL', 'FR', 'FL'],
      'nearest-first': ['FL', 'FR', 'RL', 'RR'],
      'circuit-by-circuit': ['RR', 'RL', 'FR', 'FL'],
    },
  },
  'post-van-rhd': {
    runsM: { RL: 6.5, RR: 5.3, FL: 3.15, FR: 2.15 },
    orders: {
      'furthest-first': ['RL', 'RR', 'FL', 'FR'],
      'nearest-first': ['FR', 'FL', 'RR', 'RL'],
      'circuit-by-circuit': ['RL', 'RR', 'FL', 'FR'],
    },
  },
  'courier-motorcycle': {
    runsM: { F: 2.1, R: 1.8 },
    orders: {
      'furthest-first': ['F', 'R'],
      'nearest-first': ['R', 'F'],
      'circuit-by-circuit': ['F', 'R'],
    },
  },
  charabanc: {
    runsM: { RL: 6.9, RR: 6.9, FL: 3, FR: 1.9 },
    orders: {
      'furthest-first': ['RL', 'RR', 'FL', 'FR'],
      'nearest-first': ['FR', 'FL', 'RL', 'RR'],
      'circuit-by-circuit': ['RL', 'RR', 'FL', 'FR'],
    },
  },
}

describe.each(Object.entries(byHand) as [DemoName, (typeof byHand)[DemoName]][])(
  '%s',
  (name, { runsM, orders }) => {
    const vehicle = demoVehicle(name)

    test('its runs are those added up by hand', () => {
      for (const { bleeder, route } of routedBleeders(vehicle))
        expect(route?.lengthM).toBeCloseTo(runsM[bleeder.id] ?? 0, 9)
    })

    test.each(Object.entries(orders) as [OrderSchoolId, string[]][])('%s gives %j', (school, order) => {
      expect(bleedOrder(vehicle, routedBleeders(vehicle), school, false).value).toEqual(order)
    })
  },
)

test('mirroring a van mirrors its order', () => {
  const mirror = (id: string) => id.replace(/^(.)(L|R)$/, (_, end, side) => end + (side === 'L' ? 'R' : 'L'))
  const orderOf = (name: DemoName) =>
    bleedOrder(demoVehicle(name), routedBleeders(demoVehicle(name)), 'furthest-first', false).value
  expect(orderOf('post-van-rhd')).toEqual(orderOf('post-van-lhd').map(mirror))
})
