import { describe, expect, test } from 'vitest'
import { bleedOrder } from '../../plan/order/bleed-order'
import { routedBleeders } from '../network'
import { bleedersOf, partsOf } from '../parts'
import { fromLayout } from './from-layout'
import { layouts } from './index'
import type { Layout, LayoutAnswers } from './layout'

const answers = (layout: Layout, changes: Partial<LayoutAnswers> = {}): LayoutAnswers => ({
  name: 'New',
  driverSide: 'left',
  wheelbaseMm: layout.wheelbaseMm,
  trackMm: layout.trackMm,
  maxMl: 400,
  minMl: 250,
  fluidSpec: 'DOT 4',
  ...changes,
})
function made(layout: Layout, changes: Partial<LayoutAnswers> = {}) {
  const read = fromLayout(layout, answers(layout, changes))
  if (!read.ok) throw new Error(read.faults[0]?.message)
  return read.value
}
const orderOf = (layout: Layout, driverSide: 'left' | 'right') => {
  const vehicle = made(layout, { driverSide })
  const wheels = routedBleeders(vehicle).filter(({ part }) => part.type === 'wheel-brake')
  return bleedOrder(vehicle, wheels, 'furthest-first', false).value
}
/** Four wheels with a driver and one bleeder on each. */
const plainCars = layouts.filter(({ pattern }) => {
  const { kind, parts } = pattern as { kind: string; parts: { type: string; bleeders?: { id: string }[] }[] }
  const wheels = parts.filter(({ type }) => type === 'wheel-brake')
  const ids = wheels.flatMap(({ bleeders = [] }) => bleeders.map(({ id }) => id)).sort()
  return ['car', 'van'].includes(kind) && ids.join() === 'FL,FR,RL,RR'
})

test('there are at least 14, each with its own id', () => {
  expect(new Set(layouts.map(({ id }) => id)).size).toBe(layouts.length)
  expect(layouts.length).toBeGreaterThanOrEqual(14)
})

describe.each(layouts)('$id', (layout) => {
  test('is a vehicle that can be read, with nothing in it that only another vehicle could know', () => {
    const vehicle = made(layout)
    expect(vehicle).toMatchObject({ name: 'New', wheelbaseMm: layout.wheelbaseMm, driverSide: 'left' })
    expect(vehicle.makerOrder).toBeUndefined()
    for (const bleeder of vehicle.parts.flatMap(bleedersOf)) {
      expect(bleeder.wrenchMm).toBeUndefined()
      expect(bleeder.torqueNm).toBeUndefined()
    }
    const lineIds = vehicle.lines.flatMap(({ id }) => id ?? [])
    expect(vehicle.assumed).toEqual(expect.arrayContaining(lineIds))
  })

  test('a longer wheelbase makes no run shorter', () => {
    const runs = (wheelbaseMm: number) =>
      Object.fromEntries(
        routedBleeders(made(layout, { wheelbaseMm })).map(({ bleeder, route }) => [
          bleeder.id,
          route?.lengthM ?? 0,
        ]),
      )
    const [short, long] = [runs(2000), runs(4000)]
    for (const [id, lengthM] of Object.entries(long)) expect(lengthM).toBeGreaterThanOrEqual(short[id] ?? 0)
  })
})

test('on a plain car the usual lengths give the usual order: RR, RL, FR, FL, mirrored for a driver on the right', () => {
  expect(plainCars.length).toBeGreaterThan(5)
  for (const layout of plainCars) {
    expect([layout.id, orderOf(layout, 'left')]).toEqual([layout.id, ['RR', 'RL', 'FR', 'FL']])
    expect([layout.id, orderOf(layout, 'right')]).toEqual([layout.id, ['RL', 'RR', 'FL', 'FR']])
  }
})

test('the marks are those given, and a second reservoir keeps its proportion', () => {
  const [two] = layouts.filter(({ id }) => id === 'lorry-two-reservoirs')
  if (!two) throw new Error('there is no layout with two reservoirs')
  // In the pattern 900 and 1100 mL.
  expect(partsOf(made(two, { maxMl: 450, minMl: 200 }), 'reservoir').map(({ maxMl }) => maxMl)).toEqual([
    450, 550,
  ])
})

test('marks that cannot be are refused with their path', () => {
  const [layout] = layouts
  if (!layout) throw new Error('there is no layout')
  const read = fromLayout(layout, answers(layout, { maxMl: 100, minMl: 200 }))
  expect(read.ok ? [] : read.faults.map(({ path }) => path)).toEqual(['parts.0.minMl'])
})
