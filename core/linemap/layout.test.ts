import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { mirrored, randomVehicleFile } from '~test/worlds/random-vehicle'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { examples } from '../vehicle/examples'
import { layoutVehicle } from './layout'
import { cutOut, lengthOf, piecesOf } from './pieces'
import type { MapLayout, Point } from './sheet'

type Stretch = { a: Point; b: Point; key: string; circuit: string }
type Area = { x: number; y: number; width: number; height: number; what: string }

const stretches = ({ lines, feeds }: MapLayout): Stretch[] =>
  [
    ...lines.map(({ line, points }, i) => ({ key: `line ${i}`, circuit: line.circuit, points })),
    ...feeds.map(({ points }, i) => ({ key: `feed ${i}`, circuit: `feed ${i}`, points })),
  ].flatMap(({ points, ...of }) => points.slice(1).map((b, i) => ({ a: points[i] ?? b, b, ...of })))

const areas = ({ parts, tyres, bleeders }: MapLayout): Area[] => [
  ...parts.map((place) => ({ ...place, what: place.part.id })),
  ...tyres.map((tyre) => ({ ...tyre, what: 'tyre' })),
  ...bleeders.map(({ x, y, id }) => ({ x, y, width: 21, height: 21, what: `bleeder ${id}` })),
]

/** Areas that lie on each other; a bleeder may lie on the tyre of its own wheel. */
function overlaps(layout: MapLayout): string[] {
  const all = areas(layout)
  return all.flatMap((p, i) =>
    all
      .slice(i + 1)
      .filter(
        (q) =>
          Math.abs(p.x - q.x) < (p.width + q.width) / 2 &&
          Math.abs(p.y - q.y) < (p.height + q.height) / 2 &&
          !(p.what === 'tyre' && q.what.startsWith('bleeder')),
      )
      .map((q) => `${p.what} and ${q.what}`),
  )
}

/** Lines that run inside a part, a tyre or a bleeder. */
const through = (layout: MapLayout): string[] =>
  stretches(layout).flatMap(({ a, b, key }) =>
    areas(layout)
      .filter(
        ({ x, y, width, height }) =>
          Math.min(a.x, b.x) < x + width / 2 &&
          Math.max(a.x, b.x) > x - width / 2 &&
          Math.min(a.y, b.y) < y + height / 2 &&
          Math.max(a.y, b.y) > y - height / 2,
      )
      .map(({ what }) => `${key} through ${what}`),
  )

/** Two lines on one track or touching at a bend would be read as a joint. */
function misleading(layout: MapLayout, alike: boolean): string[] {
  const all = stretches(layout)
  const isPoint = (place: Area) => place.width === 0
  const tees = areas(layout).filter(isPoint)
  return all.flatMap((p, i) =>
    all.slice(i + 1).flatMap((q) => {
      if (p.key === q.key) return []
      const overlap = (axis: 'x' | 'y') =>
        Math.min(Math.max(p.a[axis], p.b[axis]), Math.max(q.a[axis], q.b[axis])) -
        Math.max(Math.min(p.a[axis], p.b[axis]), Math.min(q.a[axis], q.b[axis]))
      const [dx, dy] = [overlap('x'), overlap('y')]
      if (dx < 0 || dy < 0) return []
      const across = (s: Stretch) => s.a.y === s.b.y
      const at = {
        x: Math.max(Math.min(p.a.x, p.b.x), Math.min(q.a.x, q.b.x)),
        y: Math.max(Math.min(p.a.y, p.b.y), Math.min(q.a.y, q.b.y)),
      }
      if (dx === 0 && dy === 0 && tees.some(({ x, y }) => x === at.x && y === at.y)) return []
      if (across(p) === across(q)) return [`${p.key} on ${q.key}`]
      const inside = (s: Stretch) =>
        across(s)
          ? at.x > Math.min(s.a.x, s.b.x) && at.x < Math.max(s.a.x, s.b.x)
          : at.y > Math.min(s.a.y, s.b.y) && at.y < Math.max(s.a.y, s.b.y)
      if (!inside(p) || !inside(q)) return [`${p.key} touches ${q.key}`]
      return alike && p.circuit === q.circuit ? [`${p.key} crosses ${q.key} of its own circuit`] : []
    }),
  )
}

/** @param alike whether two lines of one circuit that cross are a fault: some random circuits cannot do without */
const faultsOf = (layout: MapLayout, alike = false) => [
  ...overlaps(layout),
  ...through(layout),
  ...misleading(layout, alike),
  ...layout.undrawn.map((id) => `${id} is not drawn`),
]

describe('a layout has no overlap, no line through a part and no crossing that misleads', () => {
  test.each(Object.keys(examples))('%s', (name) => {
    expect(faultsOf(layoutVehicle(vehicleFrom(examples[name]?.file)), true)).toEqual([])
  })

  test('on random vehicles', () => {
    fc.assert(
      fc.property(randomVehicleFile, (file) => {
        expect(faultsOf(layoutVehicle(vehicleFrom(file)))).toEqual([])
      }),
      // A layout takes its time: a smaller counterexample is not worth hundreds of them.
      { endOnFailure: true },
    )
  })

  test('wherever the file itself puts its parts', () => {
    const metres = fc.double({ min: -3, max: 3, noNaN: true })
    fc.assert(
      fc.property(
        randomVehicleFile,
        fc.array(fc.tuple(metres, metres), { minLength: 20, maxLength: 20 }),
        (file, at) => {
          const parts = file.parts.map((part, i) => ({
            ...part,
            at: { xM: at[i]?.[0] ?? 0, yM: at[i]?.[1] ?? 0, zM: 0 },
          }))
          expect(faultsOf(layoutVehicle(vehicleFrom({ ...file, parts })))).toEqual([])
        },
      ),
      { numRuns: 40, endOnFailure: true },
    )
  })
})

test('a file far beyond any vehicle is laid out too: every part has its place, and what is not drawn is named', () => {
  const [reservoir, cylinder, ...rest] = carFile(fourCorners).parts
  const tees = Array.from({ length: 190 }, (_, i) => ({ id: `tee ${i}`, type: 'junction' }))
  const lines = tees.map(({ id }, i) => ({
    id: `to ${id}`,
    from: i === 0 ? 'mc-A' : 'tee 0',
    to: id,
    circuit: 'A',
    segments: [{ lengthM: 1, boreMm: 3.34 }],
  }))
  const file = carFile(fourCorners)
  const vehicle = vehicleFrom({
    ...file,
    parts: [reservoir, cylinder, ...rest, ...tees],
    lines: [...file.lines, ...lines],
  })
  const layout = layoutVehicle(vehicle)
  expect(layout.parts).toHaveLength(vehicle.parts.length)
  expect(overlaps(layout)).toEqual([])
  expect(layout.lines.length + layout.undrawn.length).toBe(vehicle.lines.length)
})

describe('places', () => {
  const middleX = (layout: MapLayout) => layout.width / 2
  const cylinderOf = (layout: MapLayout) => layout.parts.find(({ part }) => part.type === 'master-cylinder')

  test('the driver’s side carries the cylinder, so a mirrored car is drawn mirrored', () => {
    const file = examples['doctors-runabout']?.file
    const [left, right] = [layoutVehicle(vehicleFrom(file)), layoutVehicle(vehicleFrom(mirrored(file)))]
    expect(cylinderOf(left)?.x).toBeLessThan(middleX(left))
    expect(cylinderOf(right)?.x).toBe(left.width - (cylinderOf(left)?.x ?? 0))
  })

  test('a part that the file places is drawn there: right and forward of the front axle’s middle', () => {
    const file = examples['ferry-estate']?.file as { parts: { id: string }[] }
    const at = (xM: number, yM: number) => {
      const parts = file.parts.map((part) =>
        part.id === 'rear valve' ? { ...part, at: { xM, yM, zM: 0.2 } } : part,
      )
      const layout = layoutVehicle(vehicleFrom({ ...file, parts }))
      const place = layout.parts.find(({ part }) => part.id === 'rear valve')
      return { x: (place?.x ?? 0) - middleX(layout), y: place?.y ?? 0 }
    }
    expect(at(0.4, -1.5).x).toBeGreaterThan(0)
    expect(at(-0.4, -1.5).x).toBeLessThan(0)
    expect(at(0.2, -1).y).toBeLessThan(at(0.2, -2).y)
  })

  test('most lines have room for their length, on the line or beside it', () => {
    const lines = Object.values(examples).flatMap(({ file }) => layoutVehicle(vehicleFrom(file)).lines)
    expect(lines.filter(({ labelAt }) => labelAt).length).toBeGreaterThan(0.85 * lines.length)
  })
})

describe('pieces of a line', () => {
  const line = (...segments: { lengthM: number; kind: 'tube' | 'hose' }[]) => ({
    from: 'a',
    to: 'b',
    circuit: 'A',
    segments: segments.map((segment) => ({ boreMm: 3, ...segment })),
  })
  const bent = [
    { x: 0, y: 0 },
    { x: 0, y: 30 },
    { x: 10, y: 30 },
  ]

  test('tube and hose by their lengths, one after the other', () => {
    expect(piecesOf(line({ lengthM: 3, kind: 'tube' }, { lengthM: 1, kind: 'hose' }), 400)).toEqual([
      { kind: 'tube', from: 0, to: 0.75 },
      { kind: 'hose', from: 0.75, to: 1 },
    ])
  })

  test('a short hose is drawn long enough to be seen', () => {
    const [, hose] = piecesOf(line({ lengthM: 9, kind: 'tube' }, { lengthM: 0.1, kind: 'hose' }), 100)
    expect(((hose?.to ?? 0) - (hose?.from ?? 0)) * 100).toBeGreaterThan(12)
  })

  test('cut out between two shares', () => {
    expect(cutOut(bent, 0.5, 1)).toEqual([
      { x: 0, y: 20 },
      { x: 0, y: 30 },
      { x: 10, y: 30 },
    ])
    expect(lengthOf(cutOut(bent, 0.1, 0.4))).toBeCloseTo(12, 9)
  })
})
