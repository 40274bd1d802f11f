import { perObject } from '../base/memo'
import { partsOf } from '../vehicle/parts'
import type { Line, Vehicle } from '../vehicle/schema'
import { type Port, Tracks } from './find-way'
import { labelPlaces } from './labels'
import { piecesOf } from './pieces'
import { type Place, type Places, placeParts } from './places'
import { chamberPorts, hasChamber, portsOf } from './ports'
import { type Cell, type MapLayout, middleOf, TRACK, units } from './sheet'

/** Between two ports: a line of the file, or a reservoir's feed. */
type Wanted = {
  key: number
  circuit?: string
  line?: Line
  feed?: { reservoirId: string; toId: string }
  from: Port[]
  to: Port[]
}
type Effort = { left: number }
type Laid = Wanted & { way: Cell[]; cost: number }

const ROUNDS = 1
const TRIES = 3
/**
 * Points of the grid that are looked at for one layout, at most: well under a second. A file of two hundred parts may be
 * a hostile one, and a server that draws it must stay awake; what is not found by then is named beside the map.
 */
const MOST_EFFORT = 1_000_000
/** Two bends and a little company. */
const EASY = 13
const MOST_ROOM = 5

const portKey = ({ x, y, out }: Port) => `${x} ${y} ${out}`

/** The ports a way begins and ends at, so that no other line takes them. */
function portsUsed(way: readonly Cell[]): string[] {
  const out = (a: Cell | undefined, b: Cell | undefined) =>
    !a || !b ? '' : portKey({ ...a, out: b.x > a.x ? 0 : b.y > a.y ? 1 : b.x < a.x ? 2 : 3 })
  return [out(way[0], way[1]), out(way.at(-1), way.at(-2))]
}

function wantedWays(vehicle: Vehicle, places: readonly Place[]): Wanted[] {
  const byId = new Map(places.map((place) => [place.part.id, place]))
  const source = (id: string) => places.find(({ part }) => hasChamber(part, id))
  const leaving = (id: string) => {
    const cylinder = source(id)
    const place = byId.get(id)
    return cylinder ? chamberPorts(cylinder, id) : place ? portsOf(place) : []
  }
  const entering = (id: string) => {
    const place = byId.get(id)
    return place ? portsOf(place) : []
  }
  const ways: Omit<Wanted, 'key'>[] = feedsOf(vehicle).map((feed) => ({
    feed,
    from: entering(feed.reservoirId),
    to: leaving(feed.toId),
  }))
  for (const line of vehicle.lines)
    ways.push({ line, circuit: line.circuit, from: leaving(line.from), to: entering(line.to) })
  return ways.map((way, key) => ({ ...way, key }))
}

/** What each reservoir feeds: whole cylinders, chambers with a reservoir of their own, pumps. */
function feedsOf(vehicle: Vehicle): { reservoirId: string; toId: string }[] {
  const cylinders = partsOf(vehicle, 'master-cylinder').flatMap(({ id, fedBy, chambers }) => {
    const own = chambers.filter((chamber) => chamber.fedBy !== undefined && chamber.fedBy !== fedBy)
    const feeds = own.map((chamber) => ({ reservoirId: chamber.fedBy ?? fedBy, toId: chamber.id }))
    return own.length === chambers.length ? feeds : [{ reservoirId: fedBy, toId: id }, ...feeds]
  })
  const pumps = partsOf(vehicle, 'pump').map(({ id, fedBy }) => ({ reservoirId: fedBy, toId: id }))
  return [...cylinders, ...pumps]
}

const nearness = ({ from, to }: Wanted) =>
  Math.abs((from[0]?.x ?? 0) - (to[0]?.x ?? 0)) + Math.abs((from[0]?.y ?? 0) - (to[0]?.y ?? 0))

/** A way that is hardly longer than it must be has nothing to gain from being laid again. */
function isStraightforward({ way, cost }: Laid): boolean {
  const [a, b] = [way[0], way.at(-1)]
  return a !== undefined && b !== undefined && cost < Math.abs(a.x - b.x) + Math.abs(a.y - b.y) + EASY
}

/** Lay every way, and where one is walled in by others, all again with that one first. */
function layAll(wanted: readonly Wanted[], placed: Places, effort: Effort): Map<number, Laid> {
  let order = [...wanted].sort(
    (a, b) => Number(b.feed !== undefined) - Number(a.feed !== undefined) || nearness(a) - nearness(b),
  )
  let laid = layInOrder(order, placed, effort)
  for (let again = 0; again < TRIES && laid.size < wanted.length && effort.left > 0; again++) {
    order = [...order].sort((a, b) => Number(laid.has(a.key)) - Number(laid.has(b.key)))
    const next = layInOrder(order, placed, effort)
    if (next.size >= laid.size) laid = next
  }
  return laid
}

/** Lay the ways in this order, then each again now that the others are known. */
function layInOrder(
  order: readonly Wanted[],
  { width, height, places, tyres }: Places,
  effort: Effort,
): Map<number, Laid> {
  const tracks = new Tracks(width, height, effort)
  for (const { box } of places) tracks.block(box)
  for (const tyre of tyres) tracks.block(tyre)
  // The word FRONT stands there.
  tracks.block({ left: 0, top: 0, width, height: 1 })
  for (const { bleeders } of places)
    for (const { at } of bleeders)
      tracks.block({ left: Math.ceil(at.x - 1.5), top: Math.ceil(at.y - 1.5), width: 2, height: 2 })
  const laid = new Map<number, Laid>()
  const used = new Set<string>()
  const byKey = new Map(order.map((way) => [way.key, way]))
  const isAlike = (way: Wanted) => (other: number) => byKey.get(other)?.circuit === way.circuit
  const free = (ports: readonly Port[]) => ports.filter((port) => !used.has(portKey(port)))
  const lay = (way: Wanted) => {
    const found = tracks.find(free(way.from), free(way.to), isAlike(way))
    if (!found) return
    laid.set(way.key, { ...way, ...found })
    tracks.lay(way.key, found.way)
    for (const port of portsUsed(found.way)) used.add(port)
  }
  const takeUp = (way: Laid) => {
    laid.delete(way.key)
    tracks.take(way.way, laid.values())
    for (const port of portsUsed(way.way)) used.delete(port)
  }
  for (const way of order) lay(way)
  for (let round = 0; round < ROUNDS; round++)
    for (const way of order) {
      const known = laid.get(way.key)
      if (known && isStraightforward(known)) continue
      if (known) takeUp(known)
      lay(way)
      // Taking it up must not lose it: what was free before still is.
      if (!laid.has(way.key) && known) {
        laid.set(way.key, known)
        tracks.lay(way.key, known.way)
        for (const port of portsUsed(known.way)) used.add(port)
      }
    }
  return laid
}

/** Only the corners of a way, in drawing units. */
function cornersOf(way: readonly Cell[]) {
  return way
    .filter(({ x, y }, i) => {
      const [before, after] = [way[i - 1], way[i + 1]]
      return !before || !after || !((before.x === x && after.x === x) || (before.y === y && after.y === y))
    })
    .map(units)
}

function drawn(
  vehicle: Vehicle,
  placed: Places,
  wanted: readonly Wanted[],
  laid: Map<number, Laid>,
): MapLayout {
  const circuits = [...new Set(vehicle.lines.map(({ circuit }) => circuit))]
  const ways = [...laid.values()].sort((a, b) => a.key - b.key)
  const lines = ways.flatMap(({ line, way }) =>
    line
      ? {
          line,
          points: cornersOf(way),
          pieces: piecesOf(line, (way.length - 1) * TRACK),
          circuitIndex: circuits.indexOf(line.circuit),
        }
      : [],
  )
  const parts = placed.places.map(({ part, box }) => ({
    part,
    ...units(middleOf(box)),
    width: box.width * TRACK,
    height: box.height * TRACK,
  }))
  const bleeders = placed.places.flatMap(({ part, bleeders: own }) =>
    own.map(({ id, at }) => ({ id, partId: part.id, ...units(at) })),
  )
  const tyres = placed.tyres.map((box) => ({
    ...units(middleOf(box)),
    width: box.width * TRACK,
    height: box.height * TRACK,
  }))
  return {
    width: placed.width * TRACK,
    height: placed.height * TRACK,
    parts,
    tyres,
    bleeders,
    lines: labelPlaces(lines, parts, bleeders, tyres),
    feeds: ways.flatMap(({ feed, way }) => (feed ? { ...feed, points: cornersOf(way) } : [])),
    circuits,
    undrawn: wanted.flatMap(({ key, line, feed }) =>
      laid.has(key) ? [] : (line?.id ?? (line ? `${line.from} to ${line.to}` : `${feed?.reservoirId} feed`)),
    ),
  }
}

/**
 * Lay a vehicle's hydraulics out on a sheet seen from above, the front up: parts at their own places where the file
 * gives them and at sensible ones where not, lines along tracks, so that none runs over a part or on another line and
 * they cross square, one of the same circuit only where there is no other way. Where there is no room for every line,
 * everything is moved further apart.
 */
export const layoutVehicle = perObject((vehicle: Vehicle): MapLayout => {
  let best: MapLayout | undefined
  const effort = { left: MOST_EFFORT }
  for (let room = 2; room <= MOST_ROOM && effort.left > 0; room++) {
    const placed = placeParts(vehicle, room)
    const wanted = wantedWays(vehicle, placed.places)
    const layout = drawn(vehicle, placed, wanted, layAll(wanted, placed, effort))
    if (!best || layout.undrawn.length < best.undrawn.length) best = layout
    if (best.undrawn.length === 0) return best
  }
  if (!best) throw new Error('a layout was tried at least once')
  return best
})
