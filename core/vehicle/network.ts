import { allBleeders, type PlacedBleeder, partsOf } from './parts'
import type { Line, Part, PartOf, Vehicle } from './schema'

/** One way fluid takes from a chamber (or pump) to a part, without leaving its circuit. */
export type Route = {
  sourceId: string
  circuit: string
  lines: Line[]
  lengthM: number
}

/** Length of one line, all its segments. */
export const lineLengthM = (line: Line): number =>
  line.segments.reduce((sum, segment) => sum + segment.lengthM, 0)

/** What a line is known by: its id, else where it goes. */
export const lineKey = ({ id, from, to, circuit }: Line): string => id ?? `${from} ${to} ${circuit}`

/** Where lines may start: every chamber and every pump. */
export function sourceIds(vehicle: Vehicle): string[] {
  return [
    ...partsOf(vehicle, 'master-cylinder').flatMap((cylinder) =>
      cylinder.chambers.map((chamber) => chamber.id),
    ),
    ...partsOf(vehicle, 'pump').map((pump) => pump.id),
  ]
}

/**
 * The shortest route to every part in every circuit that reaches it (Dijkstra over part-and-circuit, since a line
 * leaves a part in the circuit it entered by). Keyed by part id, then circuit.
 */
export function routesOf(vehicle: Vehicle): Map<string, Map<string, Route>> {
  const outward = new Map<string, Line[]>()
  for (const line of vehicle.lines) outward.set(line.from, [...(outward.get(line.from) ?? []), line])
  const routes = new Map<string, Map<string, Route>>()
  const open: { at: string; route: Route }[] = []
  for (const sourceId of sourceIds(vehicle))
    for (const line of outward.get(sourceId) ?? [])
      open.push({
        at: line.to,
        route: { sourceId, circuit: line.circuit, lines: [line], lengthM: lineLengthM(line) },
      })
  while (open.length > 0) {
    const nearest = open.reduce(
      (best, each, i) => (each.route.lengthM < (open[best]?.route.lengthM ?? 0) ? i : best),
      0,
    )
    const [{ at, route } = { at: '', route: undefined }] = open.splice(nearest, 1)
    if (!route || routes.get(at)?.has(route.circuit)) continue
    routes.set(at, (routes.get(at) ?? new Map()).set(route.circuit, route))
    for (const line of outward.get(at) ?? [])
      if (line.circuit === route.circuit)
        open.push({
          at: line.to,
          route: { ...route, lines: [...route.lines, line], lengthM: route.lengthM + lineLengthM(line) },
        })
  }
  return routes
}

/** A bleeder with the route that feeds it; a bleeder on a cylinder has none, it sits at the source. */
export type RoutedBleeder = PlacedBleeder & { route?: Route }

/** Every bleeder with its own route: in its stated circuit, else by the shortest to its part. */
export function routedBleeders(vehicle: Vehicle): RoutedBleeder[] {
  const routes = routesOf(vehicle)
  return allBleeders(vehicle).map((placed) => {
    const toPart = routes.get(placed.part.id)
    const { circuit } = placed.bleeder
    const route = circuit === undefined ? shortest([...(toPart?.values() ?? [])]) : toPart?.get(circuit)
    return { ...placed, route }
  })
}

function shortest(routes: Route[]): Route | undefined {
  return routes.reduce<Route | undefined>(
    (best, route) => (best === undefined || route.lengthM < best.lengthM ? route : best),
    undefined,
  )
}

/** The reservoir that feeds a chamber or pump: the chamber's own, else the cylinder's. */
export function reservoirIdOf(vehicle: Vehicle, sourceId: string): string | undefined {
  for (const part of vehicle.parts) {
    if (part.type === 'pump' && part.id === sourceId) return part.fedBy
    if (part.type !== 'master-cylinder') continue
    const chamber = part.chambers.find((each) => each.id === sourceId)
    if (chamber) return chamber.fedBy ?? part.fedBy
  }
  return undefined
}

/** Wheel brakes that a reservoir's fluid reaches. */
export function brakesFedBy(vehicle: Vehicle, reservoirId: string): PartOf<'wheel-brake'>[] {
  const routes = routesOf(vehicle)
  return partsOf(vehicle, 'wheel-brake').filter(({ id }) =>
    [...(routes.get(id)?.values() ?? [])].some(
      ({ sourceId }) => reservoirIdOf(vehicle, sourceId) === reservoirId,
    ),
  )
}

/** The part a source belongs to: the cylinder of a chamber, or the pump itself. */
export function sourcePart(vehicle: Vehicle, sourceId: string): Part | undefined {
  return vehicle.parts.find(
    (part) =>
      part.id === sourceId ||
      (part.type === 'master-cylinder' && part.chambers.some((chamber) => chamber.id === sourceId)),
  )
}

/** Ids of every part that lies downstream of some starting points, these themselves left out. */
export function downstreamOf(vehicle: Vehicle, start: { partId: string; circuit?: string }[]): Set<string> {
  const taken = new Set<Line>()
  const open = [...start]
  for (let next = open.pop(); next; next = open.pop()) {
    for (const line of vehicle.lines) {
      const leads = line.from === next.partId && (next.circuit === undefined || line.circuit === next.circuit)
      if (!leads || taken.has(line)) continue
      taken.add(line)
      open.push({ partId: line.to, circuit: line.circuit })
    }
  }
  return new Set([...taken].map((line) => line.to))
}

/** Where each bleeder sits, in words that are the same on every vehicle of a kind: by its wheel, else by its part. */
export const placesOfBleeders = (vehicle: Vehicle): Map<string, string> =>
  new Map(
    routedBleeders(vehicle).map(({ bleeder, part }) => [
      bleeder.id,
      part.type === 'wheel-brake' ? part.position : part.type,
    ]),
  )
