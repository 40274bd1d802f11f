import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { routedBleeders } from '../../vehicle/network'
import { bleedOrder } from './bleed-order'
import { type OrderSchoolId, orderSchoolIds } from './index'

function orderOf(file: unknown, school: OrderSchoolId = 'furthest-first', conversion = false) {
  const vehicle = vehicleFrom(file)
  return bleedOrder(
    vehicle,
    routedBleeders(vehicle).filter(({ part }) => part.type !== 'master-cylinder'),
    school,
    conversion,
  ).value
}

describe('schools of order (common practice)', () => {
  // Runs by hand: rr 5.0, rl 4.2, fr 2.1, fl 1.2 m; fronts on circuit A, rears on B.
  test('furthest first', () => expect(orderOf(carFile(fourCorners))).toEqual(['rr', 'rl', 'fr', 'fl']))
  test('nearest first', () =>
    expect(orderOf(carFile(fourCorners), 'nearest-first')).toEqual(['fl', 'fr', 'rl', 'rr']))

  test('circuit by circuit on a diagonal split: the circuit with the longest run whole, then the other', () => {
    const diagonal = fourCorners.map((corner) => ({
      ...corner,
      circuit: ['rr', 'fl'].includes(corner.id) ? 'B' : 'A',
    }))
    expect(orderOf(carFile(diagonal), 'circuit-by-circuit')).toEqual(['rr', 'fl', 'rl', 'fr'])
  })

  test('the maker’s order wins and the school orders what it leaves out', () => {
    expect(orderOf(carFile(fourCorners, { makerOrder: ['fl', 'rr'] }))).toEqual(['fl', 'rr', 'rl', 'fr'])
  })

  test('equal runs go RR, RL, FR, FL, mirrored where the driver sits right', () => {
    const equal = fourCorners.map((corner) => ({ ...corner, lengthM: 3, circuit: 'A' }))
    expect(orderOf(carFile(equal))).toEqual(['rr', 'rl', 'fr', 'fl'])
    expect(orderOf(carFile(equal, { driverSide: 'right' }))).toEqual(['rl', 'rr', 'fl', 'fr'])
  })
})

describe('always', () => {
  const file = carFile(fourCorners, { makerOrder: ['rr', 'valve-bleeder'] })
  const segments = [{ lengthM: 1, boreMm: 3.34, kind: 'tube' }]
  const withMore = {
    ...file,
    parts: [
      ...file.parts,
      { id: 'valve', type: 'valve', role: 'load-sensing', bleeders: [{ id: 'valve-bleeder' }] },
      { id: 'slave', type: 'clutch-slave', boreMm: 20, strokeMm: 10, bleeders: [{ id: 'clutch' }] },
    ],
    lines: [
      ...file.lines,
      { from: 'mc-A', to: 'valve', circuit: 'A', segments },
      { from: 'mc-B', to: 'slave', circuit: 'B', segments: [{ ...segments[0], lengthM: 9 }] },
    ],
  }

  test('a valve’s bleeder comes before every wheel, even against the maker’s list; the clutch last, first where a conversion needs it clean', () => {
    expect(orderOf(withMore)).toEqual(['valve-bleeder', 'rr', 'rl', 'fr', 'fl', 'clutch'])
    expect(orderOf({ ...withMore, makerOrder: undefined }, 'furthest-first', true)).toEqual([
      'valve-bleeder',
      'clutch',
      'rr',
      'rl',
      'fr',
      'fl',
    ])
  })

  test('the order is a permutation of the bleeders, and the file’s own order of parts and lines does not matter', () => {
    const corner = fc.record({
      lengthM: fc.double({ min: 0.3, max: 20, noNaN: true }),
      circuit: fc.constantFrom('A', 'B'),
    })
    fc.assert(
      fc.property(
        fc.tuple(corner, corner, corner, corner),
        fc.constantFrom(...orderSchoolIds),
        (drawn, school) => {
          const corners = fourCorners.map((each, i) => ({ ...each, ...drawn[i] }))
          const straight = carFile(corners)
          const turned = {
            ...straight,
            parts: [...straight.parts].reverse(),
            lines: [...straight.lines].reverse(),
          }
          const order = orderOf(straight, school)
          expect([...order].sort()).toEqual(['fl', 'fr', 'rl', 'rr'])
          expect(orderOf(turned, school)).toEqual(order)
        },
      ),
    )
  })
})
