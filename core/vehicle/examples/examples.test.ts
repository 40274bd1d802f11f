import { describe, expect, test } from 'vitest'
import { vehicleFrom } from '~test/worlds/vehicles'
import { type OrderSchoolId, orderSchoolIds } from '../../plan/order'
import { bleedOrder, type StatedOrder } from '../../plan/order/bleed-order'
import { routedBleeders } from '../network'
import { examples } from './index'

describe.each(Object.entries(examples))(
  '%s, worked out by hand',
  (_, { file, runsM, orders, conversion }) => {
    const vehicle = vehicleFrom(file)
    const bleeders = routedBleeders(vehicle).filter(({ part }) => part.type !== 'master-cylinder')
    const orderBy = (school: OrderSchoolId, converting = false, stated?: StatedOrder) =>
      bleedOrder(vehicle, bleeders, school, converting, stated).value

    test('runs', () => {
      const runs = Object.fromEntries(bleeders.map(({ bleeder, route }) => [bleeder.id, route?.lengthM ?? 0]))
      expect(Object.keys(runs).sort()).toEqual(Object.keys(runsM).sort())
      for (const [id, lengthM] of Object.entries(runsM)) expect(runs[id]).toBeCloseTo(lengthM, 9)
    })

    test.each(orderSchoolIds)('%s', (school) => expect(orderBy(school)).toEqual(orders[school]))

    test('furthest first in a conversion', () =>
      expect(orderBy('furthest-first', true)).toEqual(conversion ?? orders['furthest-first']))
  },
)
