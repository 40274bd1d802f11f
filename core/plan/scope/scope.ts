import { type Decision, type Fact, fact, type Reason, reason } from '../../base/decision'
import {
  downstreamOf,
  type RoutedBleeder,
  reservoirIdOf,
  routedBleeders,
  routesOf,
  sourceIds,
  sourcePart,
} from '../../vehicle/network'
import { partFact, partsOf, reservoirFact } from '../../vehicle/parts'
import type { Line, Part, Vehicle } from '../../vehicle/schema'
import { withBarePorts } from '../../vehicle/usual-volumes'

/** What happened to the vehicle, as the scope needs it. */
export type ScopeWork = {
  reason: 'service' | 'repair' | 'conversion' | 'soft-pedal'
  opened: readonly string[]
  replaced: readonly string[]
  ranDry: boolean
  systemEmpty: boolean
  /** What stands in each reservoir as it came in, where that was seen. */
  levelMl?: Readonly<Record<string, number>>
  /** A unit that nobody opened is worked too, and why. */
  workUnit?: string
}

/**
 * A soft pedal, and nothing that was opened: air is suspected and nothing says where. That asks for the highest place
 * first and for every bleeder, and not for new fluid.
 */
export const airOnly = ({ reason, opened, replaced, ranDry, systemEmpty }: ScopeWork): boolean =>
  reason === 'soft-pedal' && opened.length + replaced.length === 0 && !ranDry && !systemEmpty

/** What happened, with what the levels say of it: a port that stood bare drew air, whether somebody noticed or not. */
export const asSeen = <T extends ScopeWork>(vehicle: Vehicle, work: T): T =>
  withBarePorts(vehicle, work.levelMl).length > 0 ? { ...work, ranDry: true } : work

/** How far the bleed must go. */
export type Scope = {
  /** Bleeders to be opened in bleed stages; those on master cylinders are not among them. */
  bleeders: RoutedBleeder[]
  /** Brakes and slaves in scope that have no bleeder at all: what stands in them goes nowhere. */
  closedEnds: Part[]
  /** Bleeders on master cylinders in scope, bled at the cylinder stage. */
  cylinderBleeders: RoutedBleeder[]
  /** Whether every bleeder is in scope. */
  whole: boolean
  /** Whether the fluid is exchanged, the reservoir's too, so that every bleeder ends at the target. */
  exchange: boolean
  /** Air stands in the master cylinder: on the bench, or at its ports in place. */
  cylinder: 'none' | 'ports' | 'bench'
  /** The cylinders that are bled at that stage. */
  cylinderIds: string[]
  /** The control unit was opened, replaced or run dry. */
  unit: boolean
  /** A joint was opened, so it is checked for leaks under pressure. */
  leakCheck: boolean
}

type Found = {
  downstream: Set<string>
  cylinder: Scope['cylinder']
  everything: boolean
  unit: boolean
  reasons: Reason[]
}

const ENDS = new Set(['wheel-brake', 'clutch-slave', 'stroke-simulator'])

function whatWasOpened(vehicle: Vehicle, id: string, replaced: boolean): Found {
  const nothing: Found = {
    downstream: new Set(),
    cylinder: 'none',
    everything: false,
    unit: false,
    reasons: [],
  }
  const line = vehicle.lines.find((each) => each.id === id)
  if (line) return lineOpened(vehicle, line, nothing)
  const part = vehicle.parts.find((each) => each.id === id)
  return part ? partOpened(vehicle, part, replaced, nothing) : nothing
}

function lineOpened(vehicle: Vehicle, line: Line, nothing: Found): Found {
  const end = vehicle.parts.find((part) => part.id === line.to)
  const downstream = downstreamOf(vehicle, [{ partId: line.to, circuit: line.circuit }]).add(line.to)
  if (sourceIds(vehicle).includes(line.from) && end && !ENDS.has(end.type))
    return upstreamOpened(nothing, fact('part-line-from-cylinder'))
  const side = end ? partFact(end) : fact('part-line')
  return { ...nothing, downstream, reasons: [reason('scope-local', 'practice', { side })] }
}

function upstreamOpened(nothing: Found, what: Fact): Found {
  return {
    ...nothing,
    everything: true,
    cylinder: 'ports',
    reasons: [reason('scope-upstream-opened', 'practice', { what })],
  }
}

function partOpened(vehicle: Vehicle, part: Part, replaced: boolean, nothing: Found): Found {
  switch (part.type) {
    case 'master-cylinder': {
      if (!replaced) return upstreamOpened(nothing, partFact(part))
      return {
        ...nothing,
        everything: true,
        cylinder: 'bench',
        reasons: [reason('scope-cylinder-replaced', 'practice')],
      }
    }
    case 'reservoir':
      return upstreamOpened(nothing, fact('part-reservoir'))
    case 'control-unit':
    case 'pump': {
      return {
        ...nothing,
        everything: true,
        unit: part.type === 'control-unit',
        reasons: [reason('scope-unit', 'practice', { part: partFact(part), replaced })],
      }
    }
    default: {
      const downstream = downstreamOf(vehicle, [{ partId: part.id }]).add(part.id)
      if ([...downstream].some((id) => vehicle.parts.find((each) => each.id === id)?.type === 'control-unit'))
        return upstreamOpened(nothing, partFact(part))
      return {
        ...nothing,
        downstream,
        reasons: [reason('scope-local', 'practice', { part: partFact(part), replaced })],
      }
    }
  }
}

/**
 * How far the bleed must go, from what was opened, replaced or run dry.
 *
 * @param school after one opened corner: `local` bleeds that corner, `whole` bleeds everything
 * @source common practice of the trade, both schools
 */
export function decideScope(vehicle: Vehicle, seen: ScopeWork, school: 'local' | 'whole'): Decision<Scope> {
  const work = asSeen(vehicle, seen)
  const found = [
    ...work.opened.map((id) => whatWasOpened(vehicle, id, false)),
    ...work.replaced.map((id) => whatWasOpened(vehicle, id, true)),
  ]
  const reasons = dedupe(found.flatMap((each) => each.reasons))
  const touched = work.opened.length + work.replaced.length > 0
  let everything = found.some((each) => each.everything)
  let cylinder: Scope['cylinder'] = found.some((each) => each.cylinder === 'bench')
    ? 'bench'
    : found.some((each) => each.cylinder === 'ports')
      ? 'ports'
      : 'none'
  const say = (code: string) => reasons.push(reason(code, 'practice'))
  if (work.systemEmpty) {
    say('scope-system-empty')
    everything = true
  } else if (work.ranDry) {
    for (const { id } of withBarePorts(vehicle, work.levelMl))
      reasons.push(reason('scope-ports-bare', 'physics', { reservoir: reservoirFact(vehicle, id) }))
    say('scope-ran-dry')
    everything = true
  }
  const suspected = airOnly(work)
  if ((work.ranDry || work.systemEmpty || suspected) && cylinder === 'none') cylinder = 'ports'
  if (work.reason === 'conversion') say('scope-conversion')
  else if (work.reason === 'service') say('scope-service')
  else if (suspected) {
    say('find-fault-first')
    say('scope-soft-pedal')
  } else if (work.workUnit !== undefined && !everything) say('scope-unit-worked')
  else if (!touched && !everything) say('scope-whole')
  else if (school === 'whole' && !everything) say('scope-school-whole')
  const asked =
    everything || school === 'whole' || work.reason === 'conversion' || work.reason === 'service' || !touched
  // What a unit lets loose is carried out everywhere; that alone asks for no new fluid.
  const whole = asked || work.workUnit !== undefined
  const systems = systemsTouched(vehicle, [...work.opened, ...work.replaced])
  const inScope = wholeOrTouched(vehicle, whole, found, routineWork(work) ? new Set() : systems)
  const hasUnit = partsOf(vehicle, 'control-unit').length > 0
  return {
    value: {
      bleeders: inScope.filter(({ part }) => part.type !== 'master-cylinder'),
      cylinderBleeders: inScope.filter(({ part }) => part.type === 'master-cylinder'),
      closedEnds: closedEnds(vehicle, whole, found, routineWork(work) ? new Set() : systems),
      whole,
      exchange: asked && !suspected,
      cylinder,
      cylinderIds: partsOf(vehicle, 'master-cylinder')
        .map((part) => part.id)
        .filter((id) => routineWork(work) || systems.size === 0 || systems.has(id)),
      unit: hasUnit && (work.systemEmpty || found.some((each) => each.unit)),
      leakCheck: touched || work.systemEmpty,
    },
    reasons,
  }
}

/** Work that concerns every system of the vehicle, whatever was opened. */
const routineWork = (work: ScopeWork): boolean =>
  work.reason === 'conversion' || work.reason === 'service' || work.ranDry || work.systemEmpty

/** @param systems the hydraulics touched; none named means all of them */
function wholeOrTouched(
  vehicle: Vehicle,
  whole: boolean,
  found: Found[],
  systems: Set<string>,
): RoutedBleeder[] {
  const routes = routedBleeders(vehicle)
  if (whole)
    return routes.filter(
      ({ part, route }) =>
        systems.size === 0 || systems.has(route ? systemOf(vehicle, route.sourceId) : part.id),
    )
  const touched = new Set(found.flatMap((each) => [...each.downstream]))
  return routes.filter(({ part }) => touched.has(part.id))
}

/** @param systems the hydraulics touched; none named means all of them */
function closedEnds(vehicle: Vehicle, whole: boolean, found: Found[], systems: Set<string>): Part[] {
  const ends = vehicle.parts.filter(
    (part) => (part.type === 'wheel-brake' || part.type === 'clutch-slave') && part.bleeders.length === 0,
  )
  if (ends.length === 0) return []
  const routes = routesOf(vehicle)
  const touched = new Set(found.flatMap((each) => [...each.downstream]))
  return ends.filter(({ id }) => {
    if (!whole) return touched.has(id)
    const mine = [...(routes.get(id)?.values() ?? [])].map(({ sourceId }) => systemOf(vehicle, sourceId))
    return systems.size === 0 || mine.some((system) => systems.has(system))
  })
}

/** Separate hydraulics (a motorcycle's front and rear) are told apart by their reservoir: air does not cross between them. */
const systemOf = (vehicle: Vehicle, sourceId: string): string =>
  reservoirIdOf(vehicle, sourceId) ?? sourcePart(vehicle, sourceId)?.id ?? sourceId

function systemsTouched(vehicle: Vehicle, ids: readonly string[]): Set<string> {
  const systems = new Set<string>()
  for (const cylinder of partsOf(vehicle, 'master-cylinder')) {
    for (const chamber of cylinder.chambers) {
      const reservoirId = chamber.fedBy ?? cylinder.fedBy
      const below = downstreamOf(vehicle, [{ partId: chamber.id }])
      const lines = vehicle.lines
        .filter((line) => line.from === chamber.id || below.has(line.from))
        .map((line) => line.id)
      const touches = ids.some(
        (id) => [cylinder.id, chamber.id, reservoirId].includes(id) || below.has(id) || lines.includes(id),
      )
      if (touches) systems.add(reservoirId).add(cylinder.id)
    }
  }
  return systems
}

function dedupe(reasons: Reason[]): Reason[] {
  return reasons.filter(
    (one, i) => reasons.findIndex((other) => JSON.stringify(other) === JSON.stringify(one)) === i,
  )
}
