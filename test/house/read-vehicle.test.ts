import { readdirSync, readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { layoutVehicle } from '~core/linemap/layout'
import { examples } from '~core/vehicle/examples'
import { routedBleeders } from '~core/vehicle/network'
import { readVehicle } from '~core/vehicle/read-vehicle'
import { carFile, fourCorners, vehicleFrom } from '../worlds/vehicles'

const demo = new URL('../../demo/vehicles/', import.meta.url)

/** The file with one place in it changed. */
function changed(path: string, value: unknown) {
  const file = structuredClone(carFile(fourCorners))
  const keys = path.split('.')
  const last = keys.pop() ?? ''
  let at: Record<string, unknown> = file
  for (const key of keys) at = at[key] as Record<string, unknown>
  at[last] = value
  return file
}

const pathsOf = (file: unknown) => {
  const read = readVehicle(file, 'vehicle')
  return read.ok ? [] : read.faults.map((fault) => fault.path)
}

test.each(readdirSync(demo))('the demo file %s is a vehicle', (name) => {
  const read = readVehicle(JSON.parse(readFileSync(new URL(name, demo), 'utf8')))
  expect(read.ok ? [] : read.faults).toEqual([])
})

describe('refused, with its path', () => {
  test.each([
    ['an id used twice', 'parts.3.id', 'res', 'vehicle.parts.3.id'],
    ['a bleeder with the id of a part', 'parts.2.bleeders.0.id', 'mc', 'vehicle.parts.2.bleeders.0.id'],
    ['a reservoir that is not there', 'parts.1.fedBy', 'nowhere', 'vehicle.parts.1.fedBy'],
    ['a line to nothing', 'lines.1.to', 'nothing', 'vehicle.lines.1.to'],
    ['a line from a cylinder instead of its chamber', 'lines.0.from', 'mc', 'vehicle.lines.0.from'],
    ['a maker’s order with a stranger', 'makerOrder', ['rr', 'xx'], 'vehicle.makerOrder.1'],
    ['MIN above MAX', 'parts.0.minMl', 500, 'vehicle.parts.0.minMl'],
    ['a bore of 0', 'lines.0.segments.0.boreMm', 0, 'vehicle.lines.0.segments.0.boreMm'],
    ['a length below 0', 'lines.2.segments.0.lengthM', -1, 'vehicle.lines.2.segments.0.lengthM'],
    ['an unknown part type', 'parts.2.type', 'parachute', 'vehicle.parts.2.type'],
    ['another version', 'version', 2, 'vehicle.version'],
    ['an unknown fluid', 'fluid.spec', 'water', 'vehicle.fluid.spec'],
  ])('%s', (_, at, value, path) => {
    expect(pathsOf(changed(at, value))).toContain(path)
  })

  test('a wheel no chamber reaches', () => {
    const file = carFile(fourCorners)
    file.lines.pop()
    expect(pathsOf(file)).toEqual(['vehicle.parts.5'])
  })

  test('a wheel reached only by changing circuit on the way', () => {
    const file = changed('parts', [...carFile(fourCorners).parts, { id: 'tee', type: 'junction' }])
    file.lines[3] = {
      id: 'a',
      from: 'mc-B',
      to: 'tee',
      circuit: 'B',
      segments: [{ lengthM: 1, boreMm: 3, kind: 'tube' }],
    }
    file.lines.push({
      id: 'b',
      from: 'tee',
      to: 'brake-rr',
      circuit: 'A',
      segments: [{ lengthM: 1, boreMm: 3, kind: 'tube' }],
    })
    expect(pathsOf(file)).toEqual(['vehicle.parts.5'])
  })

  test('a loop', () => {
    const file = changed('parts', [...carFile(fourCorners).parts, { id: 'tee', type: 'junction' }])
    const line = (id: string, from: string, to: string) => ({
      id,
      from,
      to,
      circuit: 'A',
      segments: [{ lengthM: 1, boreMm: 3, kind: 'tube' }],
    })
    file.lines.push(line('x', 'brake-fl', 'tee'), line('y', 'tee', 'brake-fl'))
    expect(pathsOf(file)).toEqual(['vehicle.lines.5'])
  })

  test.each([[null], [[]], ['text'], [42], [{}]])('%j', (input) => {
    expect(pathsOf(input).length).toBeGreaterThan(0)
  })
})

test('a file spoiled anywhere is refused with a path or accepted, never a crash', () => {
  const texts = [carFile(fourCorners), ...Object.values(examples).map(({ file }) => file)].map((file) =>
    JSON.stringify(file),
  )
  const keysOf = (text: string) => [...text.matchAll(/"(\w+)":/g)].map((match) => match[1] ?? '')
  const spoiled = fc.constantFrom(...texts).chain((text) =>
    fc.record({
      text: fc.constant(text),
      key: fc.constantFrom(...keysOf(text)),
      value: fc.oneof(fc.jsonValue({ maxDepth: 1 }), fc.constantFrom('reservoir', 'unit', 'FL', 0, -1, 1e9)),
      which: fc.nat({ max: 6 }),
    }),
  )
  fc.assert(
    fc.property(spoiled, ({ text, key, value, which }) => {
      // One of the places that have this key, so that the rest of the file stays whole.
      let seen = 0
      const file = JSON.parse(text, (k, v) => (k === key && seen++ === which ? value : v))
      const read = readVehicle(file)
      if (read.ok) return layoutVehicle(read.value).parts.length === read.value.parts.length
      return read.faults.length > 0 && read.faults.every(({ path, message }) => path !== '' && message !== '')
    }),
    { numRuns: 10_000, seed: 11, endOnFailure: true },
  )
})

test('a run is the sum of its segments, and stays in its circuit', () => {
  const lengths = Object.fromEntries(
    routedBleeders(vehicleFrom(carFile(fourCorners))).map(({ bleeder, route }) => [
      bleeder.id,
      route?.lengthM,
    ]),
  )
  expect(lengths).toEqual({ fl: 1.2, fr: 2.1, rl: 4.2, rr: 5 })
})
