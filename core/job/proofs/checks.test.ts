import { describe, expect, test } from 'vitest'
import { type DemoName, demoVehicle } from '~test/worlds/demo-vehicles'
import type { Vehicle } from '../../vehicle/schema'
import { hasWords } from '../../words'
import { checksFor, withinLimit } from './checks'

const idsOf = (vehicle: Vehicle) => checksFor({ vehicle }).map(({ id }) => id)
const byWire = demoVehicle('post-van-lhd', (file) => ({
  ...file,
  parts: (file.parts as { id: string }[]).map((part) =>
    part.id === 'unit' ? { ...part, role: 'brake-by-wire', routine: 'maker-led' } : part,
  ),
}))

describe('which proofs a vehicle needs (common practice)', () => {
  test.each<[DemoName, string[], string[]]>([
    [
      'post-van-lhd',
      [
        'three-presses',
        'hold-light',
        'hold-firm',
        'engine-on',
        'alike',
        'parking-brake',
        'lamps',
        'road-test',
      ],
      ['shoes-adjusted', 'routine-pressure'],
    ],
    ['charabanc', ['shoes-adjusted', 'parking-brake'], ['lamps', 'routine-pressure', 'engine-on']],
    [
      'courier-motorcycle',
      ['three-presses', 'lamps'],
      ['engine-on', 'alike', 'parking-brake', 'shoes-adjusted'],
    ],
  ])('%s', (name, needs, doesNot) => {
    const ids = idsOf(demoVehicle(name))
    expect(ids).toEqual(expect.arrayContaining(needs))
    for (const id of doesNot) expect(ids).not.toContain(id)
  })

  test('a simulated pedal proves nothing: the routine’s own pressure check stands in its place', () => {
    const ids = idsOf(byWire)
    expect(ids).toContain('routine-pressure')
    for (const id of ['three-presses', 'hold-light', 'hold-firm', 'engine-on']) expect(ids).not.toContain(id)
  })

  test('every vehicle is proved dry, free and full, and once more after the road', () => {
    for (const vehicle of [byWire, demoVehicle('charabanc'), demoVehicle('courier-motorcycle')])
      expect(idsOf(vehicle)).toEqual(
        expect.arrayContaining(['level', 'joints-dry', 'wheels-free', 'level-again']),
      )
    expect(idsOf(byWire).indexOf('level-again')).toBeGreaterThan(idsOf(byWire).indexOf('road-test'))
  })
})

test('a failed proof always says what next', () => {
  for (const { id } of checksFor({ vehicle: demoVehicle('post-van-lhd') }))
    expect(hasWords(`proof-${id}-fails`)).toBe(true)
})

test('any sinking fails the held pedal; nothing below 0 is a measure', () => {
  const held = checksFor({ vehicle: demoVehicle('post-van-lhd') }).find(({ id }) => id === 'hold-firm')
  if (!held) throw new Error('the van has a pedal to hold')
  // A rule beside the pedal is read to a millimetre.
  expect([0, 1, 3, -1].map((mm) => withinLimit(held, mm))).toEqual([true, true, false, false])
})
