import { type Decision, fact, type Reason, reason } from '../../base/decision'
import type { RoutedBleeder } from '../../vehicle/network'
import { sourcePart } from '../../vehicle/network'
import { bleedersOf } from '../../vehicle/parts'
import type { Part, Vehicle } from '../../vehicle/schema'
import { type OrderSchoolId, orderSchools } from './index'
import { makersOrder } from './makers-order'
import type { OrderItem, OrderSchool } from './school'
import { compareText, longerFirst } from './ties'
import { upstreamFirst } from './upstream-first'

/** An order a person set, with the reason: it beats school and maker, and is warned of where it does harm. */
export type StatedOrder = { bleeders: readonly string[]; why: string }

/** A bleeder, its part and its run as the schools see them. */
export function orderItem(vehicle: Vehicle, { bleeder, part, route }: RoutedBleeder): OrderItem {
  const source = route && sourcePart(vehicle, route.sourceId)
  const axle = part.type === 'wheel-brake' ? part.position.replace(/-.*/, '') : undefined
  const byLever = source?.type === 'master-cylinder' && source.actuator === 'lever' && axle !== undefined
  return {
    id: bleeder.id,
    lengthM: route?.lengthM ?? 0,
    circuit: bleeder.circuit ?? route?.circuit ?? '',
    partId: part.id,
    leverPair: byLever ? `${source.id}, ${axle}` : undefined,
    position: part.type === 'wheel-brake' ? part.position : undefined,
    indexInPart: bleedersOf(part).indexOf(bleeder),
  }
}

const isUpstream = ({ type }: Part) => type === 'control-unit' || type === 'valve'

/**
 * The order in which the bleeders of one bleed stage are opened.
 *
 * Units and valves come first, upstream before downstream; then the wheels by the maker's order where it names them
 * and by the school for the rest; then stroke simulators; then the clutch. A conversion takes the clutch before the
 * wheels, since they need its fluid clean. An order that a person states beats all of it.
 *
 * @param bleeders those in scope, bleeders of master cylinders left out
 * @returns bleeder ids, a permutation of those given
 */
export function bleedOrder(
  vehicle: Vehicle,
  bleeders: readonly RoutedBleeder[],
  schoolId: OrderSchoolId,
  conversion: boolean,
  stated?: StatedOrder,
): Decision<string[]> {
  const school = orderSchools[schoolId]
  const group = (match: (part: Part) => boolean) =>
    bleeders.filter(({ part }) => match(part)).map((placed) => orderItem(vehicle, placed))
  const arranged = (type: Part['type']) =>
    school.arrange(
      group((part) => part.type === type),
      vehicle.driverSide,
    )
  const upstream = group(isUpstream).sort(
    (a, b) => longerFirst(b, a) || a.indexInPart - b.indexInPart || compareText(a.id, b.id),
  )
  const clutch = arranged('clutch-slave')
  const beyond = [
    ...(conversion ? clutch : []),
    ...arranged('wheel-brake'),
    ...arranged('stroke-simulator'),
    ...(conversion ? [] : clutch),
  ]
  const makers = vehicle.makerOrder ?? []
  const usual = [
    ...upstreamFirst(vehicle, makersOrder(makers, upstream)),
    ...makersOrder(makers, beyond),
  ].map(({ id }) => id)
  const listed = makers.filter((id) => usual.includes(id)).length
  const order = stated ? inStatedOrder(stated.bleeders, usual) : usual
  return {
    value: order,
    reasons: stated
      ? [statedReason(order, stated)]
      : orderReasons(listed, usual.length - listed, upstream.length, school),
  }
}

/** Ids that are stated, in that order; what is left out keeps its usual place after them. */
function inStatedOrder(stated: readonly string[], usual: readonly string[]): string[] {
  const listed = [...new Set(stated)].filter((id) => usual.includes(id))
  return [...listed, ...usual.filter((id) => !listed.includes(id))]
}

const statedReason = (order: readonly string[], { why }: StatedOrder): Reason =>
  reason('order-stated', 'practice', { order, why: why || fact('no-reason-yet') })

function orderReasons(stated: number, others: number, upstream: number, school: OrderSchool): Reason[] {
  const reasons: Reason[] = []
  if (upstream > 0) reasons.push(reason('upstream-first', 'practice'))
  if (stated > 0) reasons.push(reason('maker-order', 'maker'))
  if (others > 0) reasons.push(reason(`order-${school.id}`, 'practice'))
  return reasons
}
