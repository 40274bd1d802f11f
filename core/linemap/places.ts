import { downstreamOf } from '../vehicle/network'
import { bleedersOf, partsOf } from '../vehicle/parts'
import type { Part, PartOf, Vehicle } from '../vehicle/schema'
import type { Box, Cell } from './sheet'
import { Taken } from './taken'

/** A part on the track grid, its bleeders beside it, and all the room both need. */
export type Place = { part: Part; box: Box; bleeders: { id: string; at: Cell }[]; footprint: Box }
/** Where everything stands, in tracks. */
export type Places = { width: number; height: number; places: Place[]; tyres: Box[] }

const BRAKE = 3
/** Tracks a bleeder with its number takes, each way. */
const BLEEDER = 3

type Frame = { width: number; height: number; frontY: number; rearY: number; single: boolean; room: number }

const middleX = ({ width }: Frame) => width / 2

function frameOf(vehicle: Vehicle, room: number): Frame {
  const single = vehicle.kind === 'motorcycle'
  const long = ['van', 'truck', 'trailer'].includes(vehicle.kind) ? 4 : 0
  const between = vehicle.parts.filter(({ type }) => type !== 'wheel-brake').length
  const crowd = Math.max(0, between - 7) * 2
  const height = 38 + long + crowd + (room - 2) * 8
  // A bar that very many lines meet in is wider than any vehicle.
  const widest = Math.max(0, ...vehicle.parts.map((part) => sizeOf(part, vehicle).width))
  // The tallest column of brakes at an axle, beyond one that fits anyway.
  const extra = (axle: string) => {
    const columns = new Map<string, number>()
    for (const brake of partsOf(vehicle, 'wheel-brake')) {
      const column = columnOf(brake.position, { single })
      if (column.startsWith(axle))
        columns.set(column, (columns.get(column) ?? 0) + slotHeight(brake, { single }))
    }
    return Math.max(0, Math.ceil((Math.max(0, ...columns.values()) - 8) / 2))
  }
  return {
    width: Math.max(36, 2 * Math.ceil(widest / 2) + 12) + (room - 2) * 6,
    height: height + 2 * extra('front') + 2 * extra('rear'),
    frontY: 7 + extra('front'),
    rearY: height + 2 * extra('front') + extra('rear') - 7,
    single,
    room,
  }
}

/**
 * What a brake needs along the wheel: its own length, or its bleeders' where they are more; and tracks between two
 * where tyre and bleeders stand at both its sides, so that lines come in from front or rear.
 */
const slotHeight = ({ bleeders, position }: PartOf<'wheel-brake'>, { single }: Pick<Frame, 'single'>) =>
  Math.max(BRAKE + 1, bleeders.length * BLEEDER) + (single || !position.includes('-') ? 3 : 0)

/** Brakes of one column stand one behind the other beside their tyre, bleeders on the outer side. */
function placeWheels(vehicle: Vehicle, frame: Frame): { places: Place[]; tyres: Box[] } {
  const places: Place[] = []
  const tyres = new Map<string, Box>()
  const columns = new Map<string, PartOf<'wheel-brake'>[]>()
  for (const position of sceneryOf(vehicle)) columns.set(columnOf(position, frame), [])
  for (const brake of partsOf(vehicle, 'wheel-brake')) {
    const column = columnOf(brake.position, frame)
    columns.set(column, [...(columns.get(column) ?? []), brake])
  }
  for (const [column, brakes] of columns) {
    const needed = brakes.reduce((sum, brake) => sum + slotHeight(brake, frame), 0)
    const axleY = column.startsWith('front') ? frame.frontY : frame.rearY
    const tyre = tyreOf(vehicle, column, axleY, Math.max(6, needed), frame)
    const key = frame.single ? String(axleY) : column
    if (tyre && tyre.height >= (tyres.get(key)?.height ?? 0)) tyres.set(key, tyre)
    let top = axleY - Math.floor(needed / 2)
    for (const brake of brakes) {
      places.push(placeBrake(brake, top, frame))
      top += slotHeight(brake, frame)
    }
  }
  return { places, tyres: [...tyres.values()] }
}

/** Which brakes stand behind one another; a motorcycle's single brake stands at the right of its wheel. */
const columnOf = (position: string, { single }: Pick<Frame, 'single'>): string =>
  single && !position.endsWith('-left') ? `${position.replace(/-.*/, '')}-right` : position

/** Wheels that are drawn though no brake is named at them, so that the vehicle is recognised. */
function sceneryOf(vehicle: Vehicle): string[] {
  if (vehicle.kind === 'motorcycle') return ['front', 'rear']
  const positions = partsOf(vehicle, 'wheel-brake').map(({ position }) => position)
  // A car or motorcycle-like thing with one wheel in the middle has no two beside it; a quad's one brake is on its axle.
  const oneWheel = (axle: 'front' | 'rear') => vehicle.kind !== 'quad' && positions.includes(axle)
  const axles = vehicle.kind === 'trailer' ? (['rear'] as const) : (['front', 'rear'] as const)
  return axles.filter((axle) => !oneWheel(axle)).flatMap((axle) => [`${axle}-left`, `${axle}-right`])
}

function tyreOf(
  vehicle: Vehicle,
  column: string,
  axleY: number,
  length: number,
  frame: Frame,
): Box | undefined {
  const upright = { top: axleY - Math.floor(length / 2), width: 2, height: length }
  if (frame.single) return { left: middleX(frame) - 1, ...upright }
  if (column.endsWith('left')) return { left: 1, ...upright }
  if (column.endsWith('right')) return { left: frame.width - 3, ...upright }
  // A brake in the middle of an axle: one wheel there on a three-wheeler, else it works both wheels of the axle.
  const hasTwo = sceneryOf(vehicle).includes(`${column}-left`)
  return hasTwo ? undefined : { left: middleX(frame) - 1, ...upright }
}

function placeBrake(part: PartOf<'wheel-brake'>, top: number, frame: Frame): Place {
  const slot = slotHeight(part, frame)
  const onLeft = part.position.endsWith('left')
  const onRight = part.position.endsWith('right')
  const { left, bleederX } = frame.single
    ? onLeft
      ? { left: middleX(frame) - 6, bleederX: middleX(frame) - 8 }
      : { left: middleX(frame) + 3, bleederX: middleX(frame) + 8 }
    : onLeft
      ? { left: 5, bleederX: 2 }
      : onRight
        ? { left: frame.width - 5 - BRAKE, bleederX: frame.width - 2 }
        : { left: middleX(frame) + 2, bleederX: middleX(frame) + 7 }
  const box: Box = { left, top: top + Math.floor((slot - BRAKE) / 2), width: BRAKE, height: BRAKE }
  const first = top + slot / 2 - ((part.bleeders.length - 1) * BLEEDER) / 2
  const bleeders = part.bleeders.map(({ id }, i) => ({ id, at: { x: bleederX, y: first + i * BLEEDER } }))
  const reach = Math.min(box.left, bleederX - 1.5)
  const far = Math.max(box.left + BRAKE, bleederX + 1.5)
  const footprint = {
    left: Math.floor(reach),
    top,
    width: Math.ceil(far) - Math.floor(reach),
    height: slot - 1,
  }
  return { part, box, bleeders, footprint }
}

/** Every chamber of a cylinder is as wide as the one that most lines leave. */
function chamberWidth({ chambers }: PartOf<'master-cylinder'>, { lines }: Vehicle): number {
  const leaving = chambers.map(({ id }) => lines.filter(({ from }) => from === id).length)
  return Math.max(4, Math.ceil(Math.max(...leaving) / 2) + 2)
}

function sizeOf(part: Part, vehicle: Vehicle): { width: number; height: number } {
  const degree = vehicle.lines.filter(({ from, to }) => from === part.id || to === part.id).length
  switch (part.type) {
    case 'reservoir':
      return { width: 5, height: 3 }
    case 'master-cylinder':
      return { width: Math.max(5, part.chambers.length * chamberWidth(part, vehicle)), height: 3 }
    case 'control-unit':
      return { width: Math.max(6, Math.ceil(degree / 2) + 2), height: 4 }
    case 'clutch-slave':
    case 'stroke-simulator':
    case 'pump':
      return { width: 6, height: 3 }
    case 'valve':
      return { width: Math.max(5, degree > 4 ? Math.ceil(degree / 2) + 2 : 0), height: 2 }
    default:
      // Four lines meet in a point; more need a bar.
      return degree <= 4 ? { width: 0, height: 0 } : { width: degree, height: 2 }
  }
}

/** Bleeders of a part between the wheels stand at its outer side. */
function withBleeders(part: Part, box: Box, frame: Frame): Place {
  const own = bleedersOf(part)
  if (own.length === 0) return { part, box, bleeders: [], footprint: box }
  const outwardLeft = box.left + box.width / 2 < middleX(frame)
  const x = outwardLeft ? box.left - 2 : box.left + box.width + 2
  const first = box.top + box.height / 2 - ((own.length - 1) * BLEEDER) / 2
  const bleeders = own.map(({ id }, i) => ({ id, at: { x, y: first + i * BLEEDER } }))
  const top = Math.floor(Math.min(box.top, first - 1.5))
  const bottom = Math.ceil(Math.max(box.top + box.height, first + (own.length - 1) * BLEEDER + 1.5))
  const left = outwardLeft ? box.left - 4 : box.left
  return { part, box, bleeders, footprint: { left, top, width: box.width + 4, height: bottom - top } }
}

/** How many parts stand between this one and the ends it feeds, at most; and which ends those are. */
function fedBy(vehicle: Vehicle, part: Part) {
  const below = downstreamOf(vehicle, [{ partId: part.id }])
  const fed = vehicle.parts.filter(({ id }) => below.has(id))
  return {
    wheels: fed.filter((each): each is PartOf<'wheel-brake'> => each.type === 'wheel-brake'),
    between: fed.filter(({ type }) => type === 'junction' || type === 'valve').length,
  }
}

/** Where a part would stand if it were alone: cylinder on the driver's side, unit opposite, tees by what they feed. */
function wanted(part: Part, vehicle: Vehicle, frame: Frame, before: number): Cell {
  const mid = middleX(frame)
  const side = vehicle.driverSide === 'right' ? 1 : vehicle.driverSide === 'left' ? -1 : frame.single ? 1 : -1
  const cylinderX = mid + side * (frame.single ? 11 : vehicle.kind === 'trailer' ? 0 : 5)
  const firstY = vehicle.kind === 'trailer' ? 5 : frame.frontY + 8
  const stepY = frame.single ? 13 : 9
  switch (part.type) {
    case 'master-cylinder':
      return { x: cylinderX, y: firstY + before * stepY }
    case 'reservoir':
      return { x: cylinderX, y: firstY - 5 + before * stepY }
    case 'control-unit':
      return { x: mid - side * (frame.single ? 12 : 6), y: firstY + 2 + before * 9 }
    case 'pump':
      return { x: mid - side * 6, y: firstY - 4 + before * 6 }
    case 'clutch-slave':
      return { x: mid + side * 3, y: firstY + 9 + before * 6 }
    case 'stroke-simulator':
      return { x: cylinderX, y: firstY + 7 + before * 6 }
    default: {
      const { wheels, between } = fedBy(vehicle, part)
      const front = wheels.filter(({ position }) => position.startsWith('front')).length
      const sides = wheels.map(({ position }) =>
        position.endsWith('left') ? -1 : position.endsWith('right') ? 1 : 0,
      )
      const lean = sides.length === 0 ? 0 : sides.reduce<number>((sum, each) => sum + each, 0) / sides.length
      const x = frame.single ? mid - side * 6 + lean * 2 : mid + lean * 6
      const fedBelow = part.type === 'valve' ? 4 : 0
      if (wheels.length > 0 && front === wheels.length)
        return {
          x: frame.single ? mid - side * 9 : x,
          y: frame.frontY + (frame.single ? 4 : 0) + between * 4,
        }
      if (wheels.length > 0 && front === 0) return { x, y: frame.rearY - fedBelow - between * 6 }
      return { x, y: frame.frontY + 14 + before * 3 }
    }
  }
}

/** Own place of a part from its metres, where the file gives one: right and forward of the front axle's middle. */
function statedPlace(part: Part, vehicle: Vehicle, frame: Frame): Cell | undefined {
  if (!part.at) return undefined
  const halfTrackM = (vehicle.trackMm ?? 1500) / 2000
  const wheelbaseM = (vehicle.wheelbaseMm ?? 2600) / 1000
  const halfTrack = middleX(frame) - 6
  const onSheet = (at: number, size: number) => Math.min(size - 3, Math.max(3, at))
  return {
    x: onSheet(middleX(frame) + (part.at.xM / halfTrackM) * halfTrack, frame.width),
    y: onSheet(frame.frontY - (part.at.yM / wheelbaseM) * (frame.rearY - frame.frontY), frame.height),
  }
}

/** The free spot nearest to where a part would stand. */
function settle(part: Part, vehicle: Vehicle, frame: Frame, at: Cell, taken: Taken): Place | undefined {
  const { width, height } = sizeOf(part, vehicle)
  const [left, top] = [Math.round(at.x - width / 2), Math.round(at.y - height / 2)]
  const reach = Math.max(frame.width, frame.height)
  let best: { place: Place; away: number } | undefined
  for (let ring = 0; ring <= reach && (!best || ring * ring < best.away); ring++)
    for (let dy = -ring; dy <= ring; dy++)
      for (const dx of Math.abs(dy) === ring ? steps(ring) : [-ring, ring]) {
        const away = dx * dx + dy * dy
        if (best && away >= best.away) continue
        const box = { left: left + dx, top: top + dy, width, height }
        if (!taken.isFree(box)) continue
        const place = withBleeders(part, box, frame)
        if (taken.isFree(place.footprint)) best = { place, away }
      }
  return best?.place
}

const steps = (ring: number) => Array.from({ length: 2 * ring + 1 }, (_, i) => i - ring)

const PLACED_FIRST: readonly Part['type'][] = [
  'master-cylinder',
  'reservoir',
  'control-unit',
  'pump',
  'stroke-simulator',
  'clutch-slave',
  'valve',
  'junction',
]

/**
 * A place for every part, none over another, in the tracks of a sheet as large as they need.
 *
 * @param room tracks left free between parts, from 2
 */
export function placeParts(vehicle: Vehicle, room: number): Places {
  let frame = frameOf(vehicle, room)
  for (;;) {
    const placed = tryToPlace(vehicle, frame)
    if (placed) return { width: frame.width, height: frame.height, ...placed }
    const more = Math.ceil(frame.height / 3)
    frame = { ...frame, height: frame.height + more, rearY: frame.rearY + more }
  }
}

function tryToPlace(vehicle: Vehicle, frame: Frame) {
  const { places, tyres } = placeWheels(vehicle, frame)
  const taken = new Taken(frame)
  for (const box of [...places.map(({ footprint }) => footprint), ...tyres]) taken.take(box)
  const stated = (part: Part) => Number(part.at !== undefined)
  const others = vehicle.parts
    .filter(({ type }) => type !== 'wheel-brake')
    .sort((a, b) => stated(b) - stated(a) || PLACED_FIRST.indexOf(a.type) - PLACED_FIRST.indexOf(b.type))
  const before = new Map<string, number>()
  for (const part of others) {
    const count = before.get(part.type) ?? 0
    before.set(part.type, count + 1)
    const at = statedPlace(part, vehicle, frame) ?? wanted(part, vehicle, frame, count)
    const place = settle(part, vehicle, frame, at, taken)
    if (!place) return undefined
    places.push(place)
    taken.take(place.footprint)
  }
  return { places, tyres }
}
