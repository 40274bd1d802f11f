import fc from 'fast-check'
import { MultiDirectedGraph } from 'graphology'
import { dijkstra } from 'graphology-shortest-path'
import { describe, expect, test } from 'vitest'
import { mirrored, randomVehicleFile } from '~test/worlds/random-vehicle'
import { vehicleFrom } from '~test/worlds/vehicles'
import { type OrderSchoolId, orderSchoolIds } from '../plan/order'
import { bleedOrder } from '../plan/order/bleed-order'
import { examples } from './examples'
import { downstreamOf, lineLengthM, routedBleeders, routesOf, sourceIds } from './network'
import type { Vehicle } from './schema'

const anyVehicle = fc.oneof(
  randomVehicleFile,
  fc.constantFrom(...Object.values(examples)).map(({ file }) => file as Record<string, unknown>),
)
const school = fc.constantFrom(...orderSchoolIds)

function orderOf(file: unknown, schoolId: OrderSchoolId, conversion = false) {
  const vehicle = vehicleFrom(file)
  const bleeders = routedBleeders(vehicle).filter(({ part }) => part.type !== 'master-cylinder')
  return bleedOrder(vehicle, bleeders, schoolId, conversion).value
}

/** Lengths from any source to every part and circuit, by graphology: a part is one node for each circuit. */
function lengthsByLibrary(vehicle: Vehicle): Record<string, number> {
  const graph = new MultiDirectedGraph()
  graph.addNode('source')
  for (const line of vehicle.lines) {
    const from = sourceIds(vehicle).includes(line.from) ? 'source' : `${line.from}\n${line.circuit}`
    const to = `${line.to}\n${line.circuit}`
    graph.mergeNode(from)
    graph.mergeNode(to)
    graph.addEdge(from, to, { weight: lineLengthM(line) })
  }
  const lengths: Record<string, number> = {}
  for (const [node, path] of Object.entries(dijkstra.singleSource(graph, 'source', 'weight'))) {
    let sum = 0
    for (const [i, to] of path.entries()) {
      const from = path[i - 1]
      if (from === undefined) continue
      sum += Math.min(...graph.directedEdges(from, to).map((edge) => graph.getEdgeAttribute(edge, 'weight')))
    }
    lengths[node] = sum
  }
  return lengths
}

describe('on random vehicles and the examples', () => {
  test('runs are the shortest paths that graphology finds', () => {
    fc.assert(
      fc.property(anyVehicle, (file) => {
        const vehicle = vehicleFrom(file)
        const byLibrary = lengthsByLibrary(vehicle)
        for (const [partId, byCircuit] of routesOf(vehicle))
          for (const [circuit, route] of byCircuit)
            expect(route.lengthM).toBeCloseTo(byLibrary[`${partId}\n${circuit}`] ?? Number.NaN, 9)
      }),
    )
  })

  test('every order is a permutation, and no bleeder on a unit or valve comes after one it feeds', () => {
    fc.assert(
      fc.property(anyVehicle, school, fc.boolean(), (file, schoolId, conversion) => {
        const vehicle = vehicleFrom(file)
        const order = orderOf(file, schoolId, conversion)
        const partOf = new Map(routedBleeders(vehicle).map(({ bleeder, part }) => [bleeder.id, part]))
        expect([...order].sort()).toEqual([...partOf.keys()].sort())
        for (const [i, id] of order.entries()) {
          const part = partOf.get(id)
          if (part?.type !== 'valve' && part?.type !== 'control-unit') continue
          const fed = downstreamOf(vehicle, [{ partId: part.id }])
          for (const earlier of order.slice(0, i)) expect(fed).not.toContain(partOf.get(earlier)?.id)
        }
      }),
    )
  })

  test('new names and another order in the file change nothing', () => {
    fc.assert(
      fc.property(randomVehicleFile, school, (file, schoolId) => {
        const order = orderOf(file, schoolId)
        const renamed = JSON.parse(
          JSON.stringify(file).replaceAll('"end ', '"z end ').replaceAll('"middle ', '"a middle '),
        )
        expect(orderOf(renamed, schoolId)).toEqual(order)
        const turned = { ...file, parts: [...file.parts].reverse(), lines: [...file.lines].reverse() }
        expect(orderOf(turned, schoolId)).toEqual(order)
      }),
    )
  })

  test('in a mirror the order is the same, bleeder for bleeder', () => {
    fc.assert(
      fc.property(anyVehicle, school, fc.boolean(), (file, schoolId, conversion) => {
        fc.pre(vehicleFrom(file).driverSide !== 'centre')
        expect(orderOf(mirrored(file), schoolId, conversion)).toEqual(orderOf(file, schoolId, conversion))
      }),
    )
  })
})
