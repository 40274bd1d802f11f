import { lineId } from '../rig/parts/line'
import { routesOf } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { Line, PartOf, Vehicle } from '../vehicle/schema'
import { type Complaint, isOfClutch } from './complaints'

/** What a cause sits in. */
export type PlaceKind = 'brake' | 'hose' | 'line' | 'cylinder' | 'unit' | 'any'

/** A place in a vehicle: what it is called, and what to open for it where the planner knows no such name. */
export type Place = { id: string; planned: string }

/** Ids of every part and line, as a place is named by them. */
export const placeIds = ({ parts, lines }: Vehicle): Set<string> =>
  new Set([...parts.map(({ id }) => id), ...lines.map(lineId)])

const hasHose = ({ segments }: Line): boolean => segments.some(({ kind }) => kind === 'hose')
export const placeOfLine = (line: Line): Place => ({ id: lineId(line), planned: line.id ?? line.to })
const placeOf = (id: string): Place => ({ id, planned: id })

/** The cylinder that a complaint is about: the clutch's own, else the brakes' first. */
export function cylinderOf(vehicle: Vehicle, complaint: Complaint): PartOf<'master-cylinder'> | undefined {
  const wanted = isOfClutch(complaint) ? 'clutch' : undefined
  const cylinders = partsOf(vehicle, 'master-cylinder')
  return cylinders.find(({ chambers }) => chambers.some(({ serves }) => serves === wanted)) ?? cylinders[0]
}

/**
 * Where a cause of this kind sits, given where something was found: the same part, or its neighbour of the right kind.
 *
 * @param at a part or line where something was found; left out, a place is named only where there is just one such
 * @returns undefined where nobody can say yet
 */
export function placeFor(
  kind: PlaceKind | undefined,
  at: string | undefined,
  vehicle: Vehicle | undefined,
  complaint: Complaint,
): Place | undefined {
  if (kind === undefined) return undefined
  if (!vehicle) return at === undefined || kind === 'cylinder' || kind === 'unit' ? undefined : placeOf(at)
  if (kind === 'cylinder') {
    const cylinder = cylinderOf(vehicle, complaint)
    return cylinder && placeOf(cylinder.id)
  }
  if (kind === 'unit') {
    const [unit] = partsOf(vehicle, 'control-unit')
    return unit && placeOf(unit.id)
  }
  if (at === undefined) return undefined
  const line = vehicle.lines.find((each) => lineId(each) === at)
  if (kind === 'any') return line ? placeOfLine(line) : placeOf(at)
  if (kind === 'brake') return brakeAt(vehicle, line?.to ?? at)
  if (line) return kind === 'line' || hasHose(line) ? placeOfLine(line) : undefined
  const before = lineBefore(vehicle, at, kind === 'hose' ? hasHose : () => true)
  return before && placeOfLine(before)
}

const brakeAt = (vehicle: Vehicle, id: string): Place | undefined =>
  vehicle.parts.some((part) => part.id === id && part.type === 'wheel-brake') ? placeOf(id) : undefined

/** The last line of this kind on the way to a part. */
function lineBefore(vehicle: Vehicle, part: string, is: (line: Line) => boolean): Line | undefined {
  const routes = [...(routesOf(vehicle).get(part)?.values() ?? [])]
  return routes.flatMap(({ lines }) => lines.filter(is)).at(-1)
}
