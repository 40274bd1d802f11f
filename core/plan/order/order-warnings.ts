import { fact, type Notice } from '../../base/decision'
import { type RoutedBleeder, reservoirIdOf } from '../../vehicle/network'
import { bleedersOf, partFact } from '../../vehicle/parts'
import type { Vehicle } from '../../vehicle/schema'

/** Every way in which an order set by hand brings old fluid or air into what is clean already. @source common practice */
export function orderWarnings(
  vehicle: Vehicle,
  ordered: readonly RoutedBleeder[],
  conversion: boolean,
): Notice[] {
  return [
    ...ordered.flatMap((placed, i) => [
      ...upstreamLate(placed, ordered.slice(0, i)),
      ...higherFirst(placed, ordered.slice(0, i)),
      ...clutchReturns(vehicle, placed, ordered.slice(0, i), ordered.slice(i + 1), conversion),
    ]),
    ...makerLeft(vehicle, ordered),
  ]
}

const idsOf = (bleeders: readonly RoutedBleeder[]) => bleeders.map(({ bleeder }) => bleeder.id)

function upstreamLate({ part, bleeder }: RoutedBleeder, before: readonly RoutedBleeder[]): Notice[] {
  if (part.type !== 'control-unit' && part.type !== 'valve') return []
  const below = before.filter(
    (other) => other.part.id !== part.id && other.route?.lines.some((line) => line.from === part.id),
  )
  if (below.length === 0) return []
  return [fact('order-upstream-late', { bleeder: bleeder.id, others: idsOf(below), part: partFact(part) })]
}

function higherFirst({ part, bleeder, route }: RoutedBleeder, before: readonly RoutedBleeder[]): Notice[] {
  const own = bleedersOf(part)
  const higher = before.filter(
    (other) =>
      part.type === 'wheel-brake' &&
      other.part.id === part.id &&
      other.route?.circuit === route?.circuit &&
      own.indexOf(other.bleeder) > own.indexOf(bleeder),
  )
  if (higher.length === 0) return []
  return [fact('order-higher-first', { bleeder: bleeder.id, others: idsOf(higher) })]
}

/** Each release of the clutch pedal sends what its line holds back into the reservoir it shares. */
function clutchReturns(
  vehicle: Vehicle,
  { part, bleeder, route }: RoutedBleeder,
  before: readonly RoutedBleeder[],
  after: readonly RoutedBleeder[],
  conversion: boolean,
): Notice[] {
  if (part.type !== 'clutch-slave' || !route) return []
  const reservoir = reservoirIdOf(vehicle, route.sourceId)
  const shares = (other: RoutedBleeder) =>
    other.part.type === 'wheel-brake' &&
    other.route !== undefined &&
    reservoirIdOf(vehicle, other.route.sourceId) === reservoir
  const [done, toCome] = [before.filter(shares), after.filter(shares)]
  if (conversion && done.length > 0) {
    return [fact('order-clutch-late', { bleeder: bleeder.id, others: idsOf(done) })]
  }
  if (!conversion && toCome.length > 0) {
    return [fact('order-clutch-early', { bleeder: bleeder.id, others: idsOf(toCome) })]
  }
  return []
}

function makerLeft({ makerOrder = [] }: Vehicle, ordered: readonly RoutedBleeder[]): Notice[] {
  const places = makerOrder
    .map((id) => ordered.findIndex(({ bleeder }) => bleeder.id === id))
    .filter((at) => at >= 0)
  if (places.every((at, i) => i === 0 || at > (places[i - 1] ?? 0))) return []
  return [fact('order-maker-left', { order: makerOrder })]
}
