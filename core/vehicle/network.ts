import { allBleeders, type PlacedBleeder, partsOf } from './parts'
import type { Line, Part, PartOf, Vehicle } from './schema'

/** One way fluid takes from a chamber (or pump) to a part, without leaving its circuit. */
export type Run = {
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
 * The shortest run to every part in every circuit that reaches it (Dijkstra over part-and-circuit, since a line
 * leaves a part in the circuit it entered by). Keyed by part id, then circuit.
 */
export function runsOf(vehicle: Vehicle): Map<string, Map<string, Run>> {
  const outward = new Map<string, Line[]>()
  for (const line of vehicle.lines) outward.set(line.from, [...(outward.get(line.from) ?? []), line])
  const runs = new Map<string, Map<string, Run>>()
  const open: { at: string; run: Run }[] = []
  for (const sourceId of sourceIds(vehicle))
    for (const line of outward.get(sourceId) ?? [])
      open.push({
        at: line.to,
        run: { sourceId, circuit: line.circuit, lines: [line], lengthM: lineLengthM(line) },
      })
  while (open.length > 0) {
    const nearest = open.reduce(
      (best, each, i) => (each.run.lengthM < (open[best]?.run.lengthM ?? 0) ? i : best),
      0,
    )
    const [{ at, run } = { at: '', run: undefined }] = open.splice(nearest, 1)
    if (!run || runs.get(at)?.has(run.circuit)) continue
    runs.set(at, (runs.get(at) ?? new Map()).set(run.circuit, run))
    for (const line of outward.get(at) ?? [])
      if (line.circuit === run.circuit)
        open.push({
          at: line.to,
          run: { ...run, lines: [...run.lines, line], lengthM: run.lengthM + lineLengthM(line) },
        })
  }
  return runs
}

/** A bleeder with the run that feeds it; a bleeder on a cylinder has none, it sits at the source. */
export type BleederRun = PlacedBleeder & { run?: Run }

/** Every bleeder with its own run: in its stated circuit, else by the shortest run to its part. */
export function bleederRuns(vehicle: Vehicle): BleederRun[] {
  const runs = runsOf(vehicle)
  return allBleeders(vehicle).map((placed) => {
    const toPart = runs.get(placed.part.id)
    const { circuit } = placed.bleeder
    const run = circuit === undefined ? shortest([...(toPart?.values() ?? [])]) : toPart?.get(circuit)
    return { ...placed, run }
  })
}

function shortest(runs: Run[]): Run | undefined {
  return runs.reduce<Run | undefined>(
    (best, run) => (best === undefined || run.lengthM < best.lengthM ? run : best),
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
  const runs = runsOf(vehicle)
  return partsOf(vehicle, 'wheel-brake').filter(({ id }) =>
    [...(runs.get(id)?.values() ?? [])].some(
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
    bleederRuns(vehicle).map(({ bleeder, part }) => [
      bleeder.id,
      part.type === 'wheel-brake' ? part.position : part.type,
    ]),
  )
