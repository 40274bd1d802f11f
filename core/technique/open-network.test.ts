import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { randomVehicleFile } from '~test/worlds/random-vehicle'
import { type BleederOpening, usualBleeder } from '../physics/hydraulics/bleeder'
import { dropKPa, orificeDropKPa } from '../physics/hydraulics/flow'
import { routedBleeders } from '../vehicle/network'
import { readVehicle } from '../vehicle/read-vehicle'
import { routeFlow } from './corner-flow'
import { flowsTogether, type OpenBleeder } from './open-network'

const liquid = { mm2PerS: 15.5, densityKgM3: 1060 }
/** A bleeder that takes hardly anything itself. */
const wide: BleederOpening = { passage: { lengthM: 1e-6, boreMm: 10 }, holeMm: 50 }
const pipe = (lengthM: number, id: string) =>
  ({ id, from: id, to: id, circuit: 'A', segments: [{ lengthM, boreMm: 3.34, kind: 'tube' }] }) as const
const shared = pipe(1, 'shared')
const on = (id: string, ownM: number): OpenBleeder => ({
  id,
  route: { sourceId: 'mc1', lines: [shared, pipe(ownM, id)] as never },
})

describe('bottles that run together', () => {
  test('two behind a shared pipe as long as their own: two thirds each of what one alone passes (Hagen–Poiseuille, by hand)', () => {
    const alone = flowsTogether([on('a', 1)], 6, liquid, wide).get('a') ?? 0
    const both = flowsTogether([on('a', 1), on('b', 1)], 6, liquid, wide)
    expect(both.get('a')).toBeCloseTo((2 / 3) * alone, 3)
    expect(both.get('b')).toBeCloseTo((2 / 3) * alone, 3)
  })

  test('one alone passes what its own line predicts', () => {
    const one = on('a', 3)
    const alone = routeFlow(
      one.route.lines.flatMap(({ segments }) => segments),
      6,
      liquid,
      usualBleeder,
    )
    expect(flowsTogether([one], 6, liquid, usualBleeder).get('a')).toBeCloseTo(alone, 6)
  })

  test('in any network the pressure along every run adds up, and nobody runs faster for company', () => {
    fc.assert(
      fc.property(randomVehicleFile, fc.double({ min: 2, max: 200, noNaN: true }), (file, kPa) => {
        const read = readVehicle(file)
        if (!read.ok) return
        const open = routedBleeders(read.value).flatMap(({ bleeder, route }) =>
          route ? { id: bleeder.id, route } : [],
        )
        const flows = flowsTogether(open, kPa, liquid, usualBleeder)
        const through = new Map<unknown, number>()
        for (const { id, route } of open)
          for (const line of route.lines) through.set(line, (through.get(line) ?? 0) + (flows.get(id) ?? 0))
        for (const { id, route } of open) {
          const own = flows.get(id) ?? 0
          const taken = route.lines.reduce(
            (sum, line) =>
              sum +
              line.segments.reduce((all, each) => all + dropKPa(each, through.get(line) ?? 0, liquid), 0),
            dropKPa(usualBleeder.passage, own, liquid) +
              orificeDropKPa(usualBleeder.holeMm, own, liquid.densityKgM3),
          )
          expect(taken / kPa).toBeCloseTo(1, 4)
          const alone = routeFlow(
            route.lines.flatMap(({ segments }) => segments),
            kPa,
            liquid,
            usualBleeder,
          )
          expect(own).toBeLessThanOrEqual(alone * (1 + 1e-6))
        }
      }),
      { numRuns: 100 },
    )
  })
})
