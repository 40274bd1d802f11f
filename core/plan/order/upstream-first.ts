import { downstreamOf } from '../../vehicle/network'
import type { Vehicle } from '../../vehicle/schema'
import type { OrderItem } from './school'

/**
 * Bleeders on units and valves so that none comes after one that it feeds; between those free to come next, the one
 * wanted first. Air let out downstream would come from upstream again, so nothing overrules this.
 *
 * @param wanted the same bleeders in the order wanted of them, where upstream allows
 * @source common practice
 */
export function upstreamFirst(vehicle: Vehicle, wanted: readonly OrderItem[]): OrderItem[] {
  const feeds = new Map(wanted.map(({ partId }) => [partId, downstreamOf(vehicle, [{ partId }])]))
  const left = [...wanted]
  const order: OrderItem[] = []
  while (left.length > 0) {
    const free = left.findIndex(({ partId }) => !left.some((other) => feeds.get(other.partId)?.has(partId)))
    order.push(...left.splice(Math.max(0, free), 1))
  }
  return order
}
