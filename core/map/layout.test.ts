import { describe, expect, test } from 'vitest'
import { demoNames, demoVehicle } from '../testing/demo-vehicles'
import { cutAt, layoutVehicle, SHEET } from './layout'

describe.each(demoNames)('the map of %s', (name) => {
  const vehicle = demoVehicle(name)
  const { parts, lines, bleeders } = layoutVehicle(vehicle)

  test('shows every part once, inside the sheet', () => {
    expect(parts.map(({ part }) => part.id).sort()).toEqual(vehicle.parts.map(({ id }) => id).sort())
    for (const { x, y, width, height } of parts) {
      expect(x - width / 2).toBeGreaterThanOrEqual(0)
      expect(x + width / 2).toBeLessThanOrEqual(SHEET.width)
      expect(y - height / 2).toBeGreaterThanOrEqual(0)
      expect(y + height / 2).toBeLessThanOrEqual(SHEET.height)
    }
  })

  test('lays no part over another', () => {
    for (const [i, a] of parts.entries())
      for (const b of parts.slice(i + 1)) {
        const apart =
          Math.abs(a.x - b.x) >= (a.width + b.width) / 2 || Math.abs(a.y - b.y) >= (a.height + b.height) / 2
        expect(apart, `${a.part.id} and ${b.part.id}`).toBe(true)
      }
  })

  test('draws every line along and across only, ending at the edge of its part', () => {
    expect(lines).toHaveLength(vehicle.lines.length)
    for (const { line, points } of lines) {
      for (const [i, point] of points.entries()) {
        const before = points[i - 1]
        if (before)
          expect(Math.min(Math.abs(point.x - before.x), Math.abs(point.y - before.y))).toBeLessThan(1e-9)
      }
      const end = points.at(-1)
      const to = parts.find(({ part }) => part.id === line.to)
      if (!end || !to) throw new Error(`${line.id} has no end`)
      expect(Math.abs(end.x - to.x)).toBeLessThanOrEqual(to.width / 2 + 1e-9)
      expect(Math.abs(end.y - to.y)).toBeLessThanOrEqual(to.height / 2 + 1e-9)
    }
  })

  test('lays no two lines of different circuits on each other', () => {
    const pieces = lines.flatMap(({ line, points }) =>
      points.slice(1).map((b, i) => ({ circuit: line.circuit, a: points[i] ?? b, b })),
    )
    for (const [i, p] of pieces.entries())
      for (const q of pieces.slice(i + 1)) {
        if (p.circuit === q.circuit) continue
        const upright = p.a.x === p.b.x && q.a.x === q.b.x && Math.abs(p.a.x - q.a.x) < 3
        const level = p.a.y === p.b.y && q.a.y === q.b.y && Math.abs(p.a.y - q.a.y) < 3
        const overlap = (k: 'x' | 'y') =>
          Math.min(Math.max(p.a[k], p.b[k]), Math.max(q.a[k], q.b[k])) -
          Math.max(Math.min(p.a[k], p.b[k]), Math.min(q.a[k], q.b[k]))
        if (upright) expect(overlap('y')).toBeLessThanOrEqual(0)
        if (level) expect(overlap('x')).toBeLessThanOrEqual(0)
      }
  })

  test('puts every bleeder beside its own brake', () => {
    for (const { id, x, y } of bleeders) {
      const place = parts.find(
        ({ part }) => 'bleeders' in part && part.bleeders.some((bleeder) => bleeder.id === id),
      )
      if (!place) throw new Error(`${id} has no part`)
      expect(Math.abs(x - place.x)).toBeLessThan(place.width / 2 + 10)
      expect(Math.abs(y - place.y)).toBeLessThan(place.height / 2)
    }
  })
})

test('the driver’s side carries the cylinder', () => {
  const cylinderX = (name: 'post-van-lhd' | 'post-van-rhd') =>
    layoutVehicle(demoVehicle(name)).parts.find(({ part }) => part.type === 'master-cylinder')?.x ?? 0
  expect(cylinderX('post-van-lhd')).toBeLessThan(SHEET.width / 2)
  expect(cylinderX('post-van-rhd')).toBeGreaterThan(SHEET.width / 2)
})

test('a line is cut at a share of its length', () => {
  const bent = [
    { x: 0, y: 0 },
    { x: 0, y: 30 },
    { x: 10, y: 30 },
  ]
  expect(cutAt(bent, 0.5)).toEqual([
    [
      { x: 0, y: 0 },
      { x: 0, y: 20 },
    ],
    [
      { x: 0, y: 20 },
      { x: 0, y: 30 },
      { x: 10, y: 30 },
    ],
  ])
})
