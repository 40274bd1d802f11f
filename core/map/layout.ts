import { downstreamOf } from '../vehicle/network'
import type { Line, Part, Vehicle } from '../vehicle/schema'

/** The sheet the map is drawn on, seen from above, front of the vehicle up. Units of the drawing, not of the road. */
export const SHEET = { width: 200, height: 224 } as const

export type Point = { x: number; y: number }
export type MapPart = Point & { part: Part; width: number; height: number }
/** A bleeder beside its part; `side` says where its number has room. */
export type MapBleeder = Point & { id: string; side: 'left' | 'right' }
/** A line as it is drawn: `points` from source to end, and from which share of its length on it is hose. */
export type MapLine = { line: Line; points: Point[]; hoseFrom: number; circuitIndex: number }
export type MapLayout = { parts: MapPart[]; lines: MapLine[]; bleeders: MapBleeder[]; circuits: string[] }

const MIDDLE = SHEET.width / 2
const FRONT_Y = 44
const REAR_Y = 184
const SIDE_X = 30
const PORT_GAP = 9

const sizes: Record<Part['type'], { width: number; height: number }> = {
  reservoir: { width: 30, height: 18 },
  'master-cylinder': { width: 34, height: 20 },
  'control-unit': { width: 44, height: 22 },
  'wheel-brake': { width: 18, height: 40 },
  'clutch-slave': { width: 24, height: 14 },
  'stroke-simulator': { width: 24, height: 14 },
  valve: { width: 16, height: 12 },
  junction: { width: 8, height: 8 },
  pump: { width: 20, height: 14 },
}

/** The driver's side carries the cylinder, the other side the unit. */
const driverX = ({ driverSide }: Vehicle) => (driverSide === 'right' ? MIDDLE + 34 : MIDDLE - 34)

function wheelPlace(vehicle: Vehicle, position: string, twin: number): Point {
  const y = (position.startsWith('front') ? FRONT_Y : REAR_Y) + twin * 24
  if (position.endsWith('left')) return { x: SIDE_X, y }
  if (position.endsWith('right')) return { x: SHEET.width - SIDE_X, y }
  return { x: vehicle.kind === 'motorcycle' ? MIDDLE : MIDDLE + twin * 20, y }
}

/** First guess for every part; parts that feed wheels stand before the mean of the wheels they feed. */
function firstPlace(
  vehicle: Vehicle,
  part: Part,
  sameBefore: number,
  placed: ReadonlyMap<string, MapPart>,
): Point {
  const single = vehicle.kind === 'motorcycle'
  const cylinder = single
    ? { x: MIDDLE + 52, y: sameBefore === 0 ? 82 : 140 }
    : { x: driverX(vehicle), y: 96 + sameBefore * 40 }
  switch (part.type) {
    case 'wheel-brake':
      return wheelPlace(vehicle, part.position, sameBefore)
    case 'master-cylinder':
      return cylinder
    case 'reservoir':
      return { x: cylinder.x, y: cylinder.y - 22 }
    case 'control-unit':
    case 'pump':
      return single
        ? { x: MIDDLE - 36, y: 111 + sameBefore * 34 }
        : { x: 2 * MIDDLE - driverX(vehicle), y: 96 + sameBefore * 34 }
    case 'clutch-slave':
      return { x: driverX(vehicle), y: 132 + sameBefore * 20 }
    case 'stroke-simulator':
      return { x: 2 * MIDDLE - driverX(vehicle), y: 132 + sameBefore * 20 }
    default: {
      const fed = [...downstreamOf(vehicle, [{ partId: part.id }])]
        .flatMap((id) => placed.get(id) ?? [])
        .filter(({ part: end }) => end.type === 'wheel-brake')
      const rear = fed.length > 0 && fed.every(({ y }) => y > SHEET.height / 2)
      return { x: MIDDLE, y: rear ? REAR_Y - 26 - sameBefore * 4 : FRONT_Y + 24 }
    }
  }
}

const overlaps = (a: MapPart, b: MapPart) =>
  Math.abs(a.x - b.x) < (a.width + b.width) / 2 + 4 && Math.abs(a.y - b.y) < (a.height + b.height) / 2 + 2

function placeParts(vehicle: Vehicle): Map<string, MapPart> {
  const placed = new Map<string, MapPart>()
  const wheelsFirst = [...vehicle.parts].sort(
    (a, b) => Number(b.type === 'wheel-brake') - Number(a.type === 'wheel-brake'),
  )
  for (const part of wheelsFirst) {
    const sameBefore = [...placed.values()].filter(
      ({ part: other }) =>
        other.type === part.type &&
        (part.type !== 'wheel-brake' || (other.type === 'wheel-brake' && other.position === part.position)),
    ).length
    const place: MapPart = { part, ...sizes[part.type], ...firstPlace(vehicle, part, sameBefore, placed) }
    // Whatever stands in the way is stepped past, towards the rear and then from the front again.
    for (let step = 0; step < 60 && [...placed.values()].some((other) => overlaps(place, other)); step++)
      place.y = place.y + 8 > SHEET.height - 12 ? 20 : place.y + 8
    placed.set(part.id, place)
  }
  return placed
}

const lengthOf = (points: readonly Point[]): number =>
  points
    .slice(1)
    .reduce(
      (sum, point, i) =>
        sum + Math.abs(point.x - (points[i]?.x ?? 0)) + Math.abs(point.y - (points[i]?.y ?? 0)),
      0,
    )

/** Ports side by side on an edge, so that lines leaving one part never lie on each other; a junction is one point. */
const spread = (index: number, count: number, { part }: MapPart) =>
  part.type === 'junction' ? 0 : (index - (count - 1) / 2) * PORT_GAP

/** Lines leave a part at its front or rear edge, run along the vehicle, then across to their end. */
function route(
  line: Line,
  places: ReadonlyMap<string, MapPart>,
  sources: ReadonlyMap<string, MapPart>,
  vehicle: Vehicle,
): Point[] {
  const from = sources.get(line.from) ?? places.get(line.from)
  const to = places.get(line.to)
  if (!from || !to) return []
  const beside = Math.abs(from.y - to.y) < 40 && to.part.type !== 'wheel-brake'
  const siblings = vehicle.lines.filter(
    (other) => (sources.get(other.from) ?? places.get(other.from)) === from,
  )
  const entering = vehicle.lines.filter((other) => other.to === line.to)
  const enterY = to.y + spread(entering.indexOf(line), entering.length, to)
  if (beside) {
    const sideways = Math.sign(to.x - from.x) || 1
    const leaveY = from.y + spread(siblings.indexOf(line), siblings.length, from)
    const start = { x: from.x + (sideways * from.width) / 2, y: leaveY }
    const end = { x: to.x - (sideways * to.width) / 2, y: enterY }
    const turnX = (start.x + end.x) / 2 + spread(siblings.indexOf(line), siblings.length, from) / 2
    return start.y === end.y ? [start, end] : [start, { x: turnX, y: start.y }, { x: turnX, y: end.y }, end]
  }
  const forward = to.y < from.y
  const endX = (other: Line) => places.get(other.to)?.x ?? 0
  const sameWay = siblings
    .filter((other) => (places.get(other.to)?.y ?? 0) < from.y === forward)
    .sort((a, b) => endX(a) - endX(b))
  const leaveX = from.x + spread(sameWay.indexOf(line), sameWay.length, from)
  const start = {
    x: leaveX,
    y: from.part.type === 'junction' ? from.y : from.y + ((forward ? -1 : 1) * from.height) / 2,
  }
  if (Math.abs(leaveX - to.x) < 2)
    return [start, { x: leaveX, y: to.y + ((forward ? 1 : -1) * to.height) / 2 }]
  const sideways = Math.sign(to.x - leaveX)
  return [start, { x: leaveX, y: enterY }, { x: to.x - (sideways * to.width) / 2, y: enterY }]
}

/** The share of a line's run at which its last hose begins; 1 where it is tube to its end. */
function hoseShare({ segments }: Line): number {
  const total = segments.reduce((sum, { lengthM }) => sum + lengthM, 0)
  const tube = segments
    .slice(0, segments.findLastIndex(({ kind }) => kind === 'tube') + 1)
    .reduce((sum, { lengthM }) => sum + lengthM, 0)
  return tube / total
}

/**
 * Lay a vehicle's hydraulics out on a sheet seen from above, from its own data: wheels at their positions, the
 * cylinder on the driver's side, lines along and across.
 */
export function layoutVehicle(vehicle: Vehicle): MapLayout {
  const places = placeParts(vehicle)
  const sources = new Map<string, MapPart>()
  for (const place of places.values())
    if (place.part.type === 'master-cylinder')
      for (const chamber of place.part.chambers) sources.set(chamber.id, place)
  const circuits = [...new Set(vehicle.lines.map(({ circuit }) => circuit))]
  const lines = vehicle.lines.map((line) => ({
    line,
    points: route(line, places, sources, vehicle),
    hoseFrom: hoseShare(line),
    circuitIndex: circuits.indexOf(line.circuit),
  }))
  const bleeders = [...places.values()].flatMap((place) => bleederPlaces(place))
  return { parts: [...places.values()], lines, bleeders, circuits }
}

/** Bleeders stand outside their wheel, or beside any other part. */
function bleederPlaces({ part, x, y, width }: MapPart): MapBleeder[] {
  if (!('bleeders' in part)) return []
  const side = x < MIDDLE ? 'left' : 'right'
  const outward = side === 'left' ? -1 : 1
  return part.bleeders.map(({ id }, i) => ({
    id,
    side,
    x: x + outward * (width / 2 + 9),
    y: y + (i - (part.bleeders.length - 1) / 2) * 22,
  }))
}

/** Cut a drawn line in two at a share of its length. */
export function cutAt(points: readonly Point[], share: number): [Point[], Point[]] {
  const target = lengthOf(points) * share
  const first: Point[] = points.slice(0, 1)
  let gone = 0
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1], points[i]]
    if (!a || !b) break
    const piece = lengthOf([a, b])
    if (gone + piece >= target && piece > 0) {
      const along = (target - gone) / piece
      const cut = { x: a.x + (b.x - a.x) * along, y: a.y + (b.y - a.y) * along }
      return [
        [...first, cut],
        [cut, ...points.slice(i)],
      ]
    }
    first.push(b)
    gone += piece
  }
  return [first, []]
}
