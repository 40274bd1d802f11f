import { expect, test } from 'vitest'
import { readVehicle } from '../vehicle/read-vehicle'
import { textFaults } from './plain-text'

test('NUL and half a character are found where they stand, names of members included; whole characters are not', () => {
  expect(textFaults({ a: ['ok', 'no\u0000'], b: { c: '\ud83d\ude97' } })).toMatchObject([{ path: 'a.1' }])
  expect(textFaults({ a: { 'x\ud800': 1 } })).toMatchObject([{ path: 'a' }])
  expect(textFaults({ low: '\udc00', high: '\ud800x' })).toHaveLength(2)
  expect(textFaults({ words: 'Größe, 制动液, 🚗', n: 4, nothing: null })).toEqual([])
})

test('a vehicle file that holds one is refused with its path, wherever it stands', () => {
  const read = readVehicle(
    { format: 'ruddy-siphon.vehicle', version: 1, parts: [{ id: 'res\u0000' }] },
    'vehicle',
  )
  expect(read.ok ? [] : read.faults.map(({ path }) => path)).toEqual(['vehicle.parts.0.id'])
})
