import { bleedersOf } from '../parts'
import type { Line, Part, Vehicle } from '../schema'
import type { EditField } from './fields'

/** Where an edit lands: a part, a line, or the vehicle itself. */
export type EditTarget = { in: 'parts' | 'lines'; at: number } | { in: 'vehicle' }

type Json = unknown

function withValue(node: Json, path: readonly (string | number)[], value: Json): Json {
  const [key, ...rest] = path
  if (key === undefined) return value
  if (Array.isArray(node)) return node.map((each, i) => (i === key ? withValue(each, rest, value) : each))
  const object = (node ?? {}) as Record<string, Json>
  const inner = withValue(object[key], rest, value)
  const { [key]: _, ...others } = object
  return inner === undefined ? others : { ...others, [key]: inner }
}

/** The value a field has now. */
export function valueAt(vehicle: Vehicle, target: EditTarget, { path }: EditField): unknown {
  const root: Json = target.in === 'vehicle' ? vehicle : vehicle[target.in][target.at]
  return path.reduce<Json>((node, key) => (node as Record<string | number, Json> | undefined)?.[key], root)
}

const notAssumed = (vehicle: Vehicle, id: string | undefined): Vehicle => ({
  ...vehicle,
  assumed: vehicle.assumed?.filter((each) => each !== id),
})

/**
 * The vehicle with one value changed; what was given for a part or line is no longer assumed.
 *
 * The result may be one that does not read (a bore of 0): whoever saves it reads it first.
 * @param value undefined leaves the field out
 */
export function setField(vehicle: Vehicle, target: EditTarget, { path }: EditField, value: Json): Vehicle {
  if (target.in === 'vehicle') return withValue(vehicle, path, value) as Vehicle
  const changed = withValue(vehicle, [target.in, target.at, ...path], value) as Vehicle
  return notAssumed(changed, vehicle[target.in][target.at]?.id)
}

/** A name nobody has yet: the word itself, else with a number. */
function freeId({ parts, lines }: Vehicle, word: string): string {
  const taken = new Set([
    ...parts.flatMap((part) => [
      part.id,
      ...bleedersOf(part).map(({ id }) => id),
      ...(part.type === 'master-cylinder' ? part.chambers.map(({ id }) => id) : []),
    ]),
    ...lines.flatMap(({ id }) => id ?? []),
  ])
  if (!taken.has(word)) return word
  for (let n = 2; ; n++) if (!taken.has(`${word} ${n}`)) return `${word} ${n}`
}

/** Parts that can be put into a line, or hung on one. */
export const addable = [
  'wheel-brake',
  'junction',
  'valve',
  'control-unit',
  'clutch-slave',
  'stroke-simulator',
] as const

function newPart(type: (typeof addable)[number], id: string, bleeder: string): Part {
  switch (type) {
    case 'junction':
      return { id, type }
    case 'valve':
      return { id, type, role: 'proportioning', bleeders: [] }
    case 'wheel-brake':
      return {
        id,
        type,
        position: 'rear',
        brake: 'disc',
        pistons: [{ diameterMm: 38, count: 1 }],
        padWearMm: 0,
        bleeders: [{ id: bleeder }],
      }
    case 'control-unit':
      return { id, type, role: 'abs', volumeMl: 20, routine: 'cycle', bleeders: [] }
    case 'clutch-slave':
      return { id, type, boreMm: 20, strokeMm: 20, bleeders: [{ id: bleeder }] }
    case 'stroke-simulator':
      return { id, type, volumeMl: 10, bleeders: [{ id: bleeder }] }
  }
}

/** A part more, with the line that feeds it from another; both with usual sizes, marked as assumed. */
export function addPart(
  vehicle: Vehicle,
  type: (typeof addable)[number],
  from: string,
  circuit: string,
): Vehicle {
  const id = freeId(vehicle, type.replace('-', ' '))
  const part = newPart(type, id, freeId(vehicle, `${id} bleeder`))
  const lineId = freeId(vehicle, `${id} pipe`)
  const line: Line = {
    id: lineId,
    from,
    to: id,
    circuit,
    segments: [{ lengthM: 1, boreMm: 3.34, kind: 'tube' }],
  }
  return {
    ...vehicle,
    parts: [...vehicle.parts, part],
    lines: [...vehicle.lines, line],
    assumed: [...(vehicle.assumed ?? []), id, lineId],
  }
}

/** Without a part, the lines that touch it, and its bleeders in the maker's order. */
export function removePart(vehicle: Vehicle, id: string): Vehicle {
  const part = vehicle.parts.find((each) => each.id === id)
  if (!part) return vehicle
  const chambers = part.type === 'master-cylinder' ? part.chambers.map((chamber) => chamber.id) : []
  const gone = new Set([id, ...chambers])
  const bleeders = new Set(bleedersOf(part).map((bleeder) => bleeder.id))
  const lines = vehicle.lines.filter(({ from, to }) => !gone.has(from) && !gone.has(to))
  const left = new Set([...vehicle.parts.map((each) => each.id), ...lines.flatMap((line) => line.id ?? [])])
  left.delete(id)
  return {
    ...vehicle,
    parts: vehicle.parts.filter((each) => each.id !== id),
    lines,
    makerOrder: vehicle.makerOrder?.filter((bleeder) => !bleeders.has(bleeder)),
    assumed: vehicle.assumed?.filter((each) => left.has(each)),
  }
}

/** A bleeder more on a part that may have them. */
export function addBleeder(vehicle: Vehicle, id: string): Vehicle {
  const parts = vehicle.parts.map((part) =>
    part.id === id && 'bleeders' in part
      ? { ...part, bleeders: [...part.bleeders, { id: freeId(vehicle, `${id} bleeder`) }] }
      : part,
  )
  return { ...vehicle, parts }
}

/** Without a bleeder, in the maker's order too. */
export function removeBleeder(vehicle: Vehicle, id: string): Vehicle {
  const parts = vehicle.parts.map((part) =>
    'bleeders' in part ? { ...part, bleeders: part.bleeders.filter((bleeder) => bleeder.id !== id) } : part,
  )
  return { ...vehicle, parts, makerOrder: vehicle.makerOrder?.filter((each) => each !== id) }
}

/** Without a line; what it fed must be fed by another, or reading says so. */
export function removeLine(vehicle: Vehicle, at: number): Vehicle {
  const id = vehicle.lines[at]?.id
  return notAssumed({ ...vehicle, lines: vehicle.lines.filter((_, i) => i !== at) }, id)
}

/** A segment more at the end of a line: a hose after a tube, a tube after a hose. */
export function addSegment(vehicle: Vehicle, at: number): Vehicle {
  const lines = vehicle.lines.map((line, i) => {
    const last = line.segments.at(-1)
    if (i !== at || !last) return line
    const kind = last.kind === 'tube' ? ('hose' as const) : ('tube' as const)
    return {
      ...line,
      segments: [...line.segments, { kind, lengthM: 0.4, boreMm: kind === 'hose' ? 3.2 : 3.34 }],
    }
  })
  return { ...vehicle, lines }
}

/** The maker's order from the ids as typed, commas or blanks between; none typed, none stated. */
export function setMakerOrder(vehicle: Vehicle, typed: string): Vehicle {
  const known = vehicle.parts.flatMap(bleedersOf).map(({ id }) => id)
  const parts = typed.split(',').map((each) => each.trim())
  const ids = parts.length === 1 && !known.includes(parts[0] ?? '') ? typed.trim().split(/\s+/) : parts
  const makerOrder = ids.filter((id) => id !== '')
  const { makerOrder: _, ...rest } = vehicle
  return makerOrder.length === 0 ? rest : { ...rest, makerOrder }
}
