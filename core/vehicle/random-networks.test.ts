import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { orderSchoolIds } from '../order'
import { bleedOrder } from '../order/bleed-order'
import { vehicleFrom } from '../testing/vehicles'
import { bleederRuns, lineLengthM } from './network'
import type { Line, Vehicle } from './schema'

const positions = ['front-left', 'front-right', 'rear-left', 'rear-right', 'front', 'rear']

/** A random vehicle: tees in layers between two chambers and up to six brakes, every line running outwards. */
const randomFile = fc
  .record({
    tees: fc.integer({ min: 0, max: 4 }),
    brakes: fc.integer({ min: 1, max: 6 }),
    valve: fc.boolean(),
    extra: fc.array(
      fc.record({ from: fc.nat(), to: fc.nat(), lengthM: fc.double({ min: 0.1, max: 9, noNaN: true }) }),
      { maxLength: 12 },
    ),
    lengths: fc.array(fc.double({ min: 0.1, max: 9, noNaN: true }), { minLength: 12, maxLength: 12 }),
  })
  .map(({ tees, brakes, valve, extra, lengths }) => {
    const middle = [
      ...Array.from({ length: tees }, (_, i) => ({ id: `tee ${i}`, type: 'junction' })),
      ...(valve
        ? [{ id: 'valve', type: 'valve', role: 'proportioning', bleeders: [{ id: 'on valve' }] }]
        : []),
    ]
    const ends = Array.from({ length: brakes }, (_, i) => ({
      id: `brake ${i}`,
      type: 'wheel-brake',
      position: positions[i],
      brake: 'disc',
      pistons: [{ diameterMm: 40, count: 1 }],
      bleeders: [{ id: `b${i}` }],
    }))
    const line = (from: string, to: string, lengthM: number) => ({
      from,
      to,
      circuit: 'A',
      segments: [{ lengthM, boreMm: 3.34 }],
    })
    // Every part hangs on the chamber directly or through earlier ones, and some by more ways than one.
    const chain = [...middle, ...ends].map(({ id }, i) => line('chamber', id, lengths[i] ?? 1))
    const all = [...middle, ...ends]
    const shortcuts = extra.flatMap(({ from, to, lengthM }) => {
      const a = middle[from % Math.max(1, middle.length)]
      const b = all[to % all.length]
      return a && b && all.indexOf(a) < all.indexOf(b) ? [line(a.id, b.id, lengthM)] : []
    })
    return {
      format: 'ruddy-siphon.vehicle',
      version: 1,
      name: 'Random',
      kind: 'car',
      fluid: { spec: 'DOT 4' },
      parts: [
        { id: 'res', type: 'reservoir', maxMl: 300, minMl: 100 },
        {
          id: 'mc',
          type: 'master-cylinder',
          fedBy: 'res',
          pedalRatio: 4,
          actuator: 'pedal',
          chambers: [{ id: 'chamber', boreMm: 20, strokeMm: 15 }],
        },
        ...all,
      ],
      lines: [...chain, ...shortcuts],
    }
  })

/** The shortest way by trying every one: slow, and simple enough to be believed. */
function shortestByTrying(vehicle: Vehicle, to: string): number {
  const from = (at: string): number => {
    const ways = vehicle.lines
      .filter((line: Line) => line.to === at)
      .map((line) => lineLengthM(line) + (line.from === 'chamber' ? 0 : from(line.from)))
    return Math.min(...ways)
  }
  return from(to)
}

describe('on random vehicles', () => {
  test('a run is the shortest of all ways', () => {
    fc.assert(
      fc.property(randomFile, (file) => {
        const vehicle = vehicleFrom(file)
        for (const { part, run } of bleederRuns(vehicle))
          expect(run?.lengthM).toBeCloseTo(shortestByTrying(vehicle, part.id), 9)
      }),
    )
  })

  test('every school gives a permutation with the valve first, and new names change nothing', () => {
    fc.assert(
      fc.property(randomFile, fc.constantFrom(...orderSchoolIds), (file, school) => {
        const vehicle = vehicleFrom(file)
        const order = bleedOrder(vehicle, bleederRuns(vehicle), school, false).value
        expect([...order].sort()).toEqual(
          bleederRuns(vehicle)
            .map(({ bleeder }) => bleeder.id)
            .sort(),
        )
        if (order.includes('on valve')) expect(order[0]).toBe('on valve')
        const renamed = vehicleFrom(JSON.parse(JSON.stringify(file).replace(/"b(\d)"/g, '"zz$1"')))
        expect(
          bleedOrder(renamed, bleederRuns(renamed), school, false).value.map((id) => id.replace(/^zz/, 'b')),
        ).toEqual(order)
      }),
    )
  })
})
