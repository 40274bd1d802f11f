import type { Fault, Reading } from '../base/fault'
import { textFaults } from '../base/plain-text'
import { readWith } from '../base/zod-faults'
import { procedureFaults } from '../procedure/check'
import { routesOf, sourceIds } from './network'
import { bleedersOf } from './parts'
import { type Vehicle, vehicleSchema } from './schema'

const within = (root: string, path: string) => (root ? `${root}.${path}` : path)

/**
 * Read a vehicle file: its shape, then what its parts say about each other.
 *
 * Refused, each with its path: an id used twice or not there, MIN above MAX, a line that starts or ends where no
 * line can, a loop, a wheel or bleeder no chamber reaches.
 *
 * @param root prefix of the paths, where the vehicle is part of a larger request
 */
export function readVehicle(input: unknown, root = ''): Reading<Vehicle> {
  const noText = textFaults(input, root)
  if (noText.length > 0) return { ok: false, faults: noText }
  const shape = readWith(vehicleSchema, input, root)
  if (!shape.ok) return shape
  const vehicle = shape.value
  const faults: Fault[] = []
  for (const check of [idFaults, levelFaults, referenceFaults, routineFaults])
    faults.push(...check(vehicle).map(({ path, message }) => ({ path: within(root, path), message })))
  // Runs mean nothing while ids are wrong or lines go in a circle, so each check waits for the one before.
  if (faults.length === 0)
    faults.push(...loopFaults(vehicle).map(({ path, message }) => ({ path: within(root, path), message })))
  if (faults.length === 0)
    faults.push(...reachFaults(vehicle).map(({ path, message }) => ({ path: within(root, path), message })))
  return faults.length === 0 ? { ok: true, value: vehicle } : { ok: false, faults }
}

function* idsWithPaths(vehicle: Vehicle): Generator<{ id: string; path: string }> {
  for (const [i, part] of vehicle.parts.entries()) {
    yield { id: part.id, path: `parts.${i}.id` }
    if (part.type === 'master-cylinder')
      for (const [c, chamber] of part.chambers.entries())
        yield { id: chamber.id, path: `parts.${i}.chambers.${c}.id` }
    for (const [b, bleeder] of bleedersOf(part).entries())
      yield { id: bleeder.id, path: `parts.${i}.bleeders.${b}.id` }
  }
  for (const [i, line] of vehicle.lines.entries())
    if (line.id !== undefined) yield { id: line.id, path: `lines.${i}.id` }
}

function idFaults(vehicle: Vehicle): Fault[] {
  const first = new Map<string, string>()
  const faults: Fault[] = []
  for (const { id, path } of idsWithPaths(vehicle)) {
    const before = first.get(id)
    if (before === undefined) first.set(id, path)
    else
      faults.push({
        path,
        message: `the id "${id}" is used twice (first at ${before}); give each part, chamber, bleeder and line its own`,
      })
  }
  return faults
}

function levelFaults(vehicle: Vehicle): Fault[] {
  const faults: Fault[] = []
  for (const [i, part] of vehicle.parts.entries()) {
    if (part.type !== 'reservoir') continue
    const { minMl, maxMl, portsCoveredMl = 0 } = part
    if (minMl > maxMl)
      faults.push({
        path: `parts.${i}.minMl`,
        message: `MIN (${minMl} mL) is above MAX (${maxMl} mL); give MIN at or below MAX`,
      })
    if (portsCoveredMl > minMl)
      faults.push({
        path: `parts.${i}.portsCoveredMl`,
        message: `the ports are covered at ${portsCoveredMl} mL, above MIN (${minMl} mL); give MIN or less`,
      })
  }
  return faults
}

/** Procedures of its units, step by step. */
function routineFaults(vehicle: Vehicle): Fault[] {
  const bleeders = new Set(vehicle.parts.flatMap(bleedersOf).map(({ id }) => id))
  return vehicle.parts.flatMap((part, i) =>
    part.type === 'control-unit' && part.procedure
      ? procedureFaults(part.procedure, { routine: part.routine, bleeders }).map(({ path, message }) => ({
          path: `parts.${i}.procedure.${path}`,
          message,
        }))
      : [],
  )
}

function referenceFaults(vehicle: Vehicle): Fault[] {
  const faults: Fault[] = []
  if (!vehicle.parts.some((part) => part.type === 'reservoir'))
    faults.push({ path: 'parts', message: 'there is no reservoir; give at least one' })
  const reservoirs = new Set(vehicle.parts.filter((part) => part.type === 'reservoir').map((part) => part.id))
  const needReservoir = (id: string | undefined, path: string) => {
    if (id !== undefined && !reservoirs.has(id))
      faults.push({ path, message: `there is no reservoir "${id}"; give the id of a reservoir in this file` })
  }
  for (const [i, part] of vehicle.parts.entries()) {
    if (part.type === 'master-cylinder' || part.type === 'pump') needReservoir(part.fedBy, `parts.${i}.fedBy`)
    if (part.type === 'master-cylinder')
      for (const [c, chamber] of part.chambers.entries())
        needReservoir(chamber.fedBy, `parts.${i}.chambers.${c}.fedBy`)
  }
  const passOn = vehicle.parts
    .filter((part) => !['reservoir', 'master-cylinder', 'pump'].includes(part.type))
    .map((part) => part.id)
  const ends = new Set(passOn)
  const starts = new Set([...passOn, ...sourceIds(vehicle)])
  for (const [i, line] of vehicle.lines.entries()) {
    if (!starts.has(line.from))
      faults.push({
        path: `lines.${i}.from`,
        message: `a line cannot start at "${line.from}"; give a chamber, a pump or a part the line leaves`,
      })
    if (!ends.has(line.to))
      faults.push({
        path: `lines.${i}.to`,
        message: `a line cannot end at "${line.to}"; give a unit, valve, junction, brake, slave or simulator`,
      })
  }
  const bleederIds = new Set(vehicle.parts.flatMap(bleedersOf).map((bleeder) => bleeder.id))
  const listed = new Set<string>()
  for (const [i, id] of (vehicle.makerOrder ?? []).entries()) {
    if (!bleederIds.has(id))
      faults.push({
        path: `makerOrder.${i}`,
        message: `there is no bleeder "${id}"; give bleeder ids of this file`,
      })
    if (listed.has(id))
      faults.push({ path: `makerOrder.${i}`, message: `the bleeder "${id}" is listed twice; list each once` })
    listed.add(id)
  }
  const named = new Set([...idsWithPaths(vehicle)].map(({ id }) => id))
  for (const [i, id] of (vehicle.assumed ?? []).entries())
    if (!named.has(id))
      faults.push({
        path: `assumed.${i}`,
        message: `there is no "${id}"; give ids of parts and lines of this file`,
      })
  return faults
}

function loopFaults(vehicle: Vehicle): Fault[] {
  const state = new Map<string, 'open' | 'done'>()
  const faults: Fault[] = []
  const visit = (partId: string) => {
    state.set(partId, 'open')
    for (const [i, line] of vehicle.lines.entries()) {
      if (line.from !== partId) continue
      if (state.get(line.to) === 'open')
        faults.push({
          path: `lines.${i}`,
          message: `this line closes a loop back to "${line.to}"; lines run outwards from a chamber and never return`,
        })
      else if (!state.has(line.to)) visit(line.to)
    }
    state.set(partId, 'done')
  }
  for (const line of vehicle.lines) if (!state.has(line.from)) visit(line.from)
  return faults
}

function reachFaults(vehicle: Vehicle): Fault[] {
  const routes = routesOf(vehicle)
  const faults: Fault[] = []
  for (const [i, part] of vehicle.parts.entries()) {
    const reached = routes.get(part.id)
    const mustBeFed =
      part.type === 'wheel-brake' ||
      part.type === 'clutch-slave' ||
      (bleedersOf(part).length > 0 && part.type !== 'master-cylinder')
    if (mustBeFed && !reached)
      faults.push({
        path: `parts.${i}`,
        message: `no chamber reaches "${part.id}"; add the lines that feed it, in one circuit all the way`,
      })
    if (!reached) continue
    for (const [b, bleeder] of bleedersOf(part).entries())
      if (bleeder.circuit !== undefined && !reached.has(bleeder.circuit))
        faults.push({
          path: `parts.${i}.bleeders.${b}.circuit`,
          message: `no line of circuit "${bleeder.circuit}" reaches it; give one of: ${[...reached.keys()].join(', ')}`,
        })
  }
  return faults
}
