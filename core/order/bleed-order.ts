import type { Decision, Reason } from '../decision'
import type { BleederRun } from '../vehicle/network'
import { bleedersOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { type OrderSchoolId, orderSchools } from './index'
import type { OrderItem } from './school'
import { compareText, longerFirst } from './ties'

/** Bleeders here are done before any wheel, whatever the school: air let out downstream would come from upstream again. */
const UPSTREAM = new Set(['control-unit', 'valve'])

function itemOf({ bleeder, part, run }: BleederRun): OrderItem {
  return {
    id: bleeder.id,
    lengthM: run?.lengthM ?? 0,
    circuit: bleeder.circuit ?? run?.circuit ?? '',
    position: part.type === 'wheel-brake' ? part.position : undefined,
    indexInPart: bleedersOf(part).indexOf(bleeder),
  }
}

/**
 * The order in which the bleeders of one bleed stage are opened.
 *
 * Upstream first (units and valves), then the wheels by the maker's order where it names them and by the school
 * for the rest, then stroke simulators, then the clutch; a conversion takes the clutch first among the wheels'
 * side, since the wheels need its fluid clean.
 *
 * @param bleeders those in scope, bleeders of master cylinders left out
 * @returns bleeder ids, a permutation of those given
 */
export function bleedOrder(
  vehicle: Vehicle,
  bleeders: readonly BleederRun[],
  schoolId: OrderSchoolId,
  conversion: boolean,
): Decision<string[]> {
  const school = orderSchools[schoolId]
  const group = (match: (type: string) => boolean) =>
    bleeders.filter(({ part }) => match(part.type)).map(itemOf)
  const upstream = group((type) => UPSTREAM.has(type)).sort(
    (a, b) => longerFirst(b, a) || a.indexInPart - b.indexInPart || compareText(a.id, b.id),
  )
  const wheels = school.arrange(
    group((type) => type === 'wheel-brake'),
    vehicle.driverSide,
  )
  const simulators = school.arrange(
    group((type) => type === 'stroke-simulator'),
    vehicle.driverSide,
  )
  const clutch = school.arrange(
    group((type) => type === 'clutch-slave'),
    vehicle.driverSide,
  )
  const bySchool = conversion
    ? [...upstream, ...clutch, ...wheels, ...simulators]
    : [...upstream, ...wheels, ...simulators, ...clutch]
  const makers = vehicle.makerOrder ?? []
  const maker = makers.flatMap((id) => bySchool.filter((item) => item.id === id))
  const upstreamIds = new Set(upstream.map((item) => item.id))
  const stated = new Set(maker.map((item) => item.id))
  const order = [
    ...maker.filter((item) => upstreamIds.has(item.id)),
    ...upstream.filter((item) => !stated.has(item.id)),
    ...maker.filter((item) => !upstreamIds.has(item.id)),
    ...bySchool.filter((item) => !stated.has(item.id) && !upstreamIds.has(item.id)),
  ]
  return {
    value: order.map((item) => item.id),
    reasons: orderReasons(maker.length, order.length - maker.length, upstream.length, school),
  }
}

function orderReasons(
  stated: number,
  others: number,
  upstream: number,
  school: { id: string; name: string; why: string },
): Reason[] {
  const reasons: Reason[] = []
  if (upstream > 0)
    reasons.push({
      code: 'upstream-first',
      text: 'Bleeders on the control unit and valves come before the wheels.',
      basis: 'practice',
    })
  if (stated > 0)
    reasons.push({
      code: 'maker-order',
      text: 'The maker states an order for this vehicle, and it wins.',
      basis: 'maker',
    })
  if (others > 0)
    reasons.push({ code: `order-${school.id}`, text: `${school.name}: ${school.why}`, basis: 'practice' })
  return reasons
}
